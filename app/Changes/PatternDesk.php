<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Http\Requests\Plan\PatternAnswered;
use App\Planning\Loaded;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Drawn;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Patterns\PatternAnswers;

/** Assemblies from a pattern: looked at while one answers, or made as one change. */
final readonly class PatternDesk
{
    public function __construct(private ChangeLog $log)
    {
    }

    /** @throws BadLine naming every answer that is wrong */
    public function drawn(Loaded $loaded, PatternAnswered $sent): Drawn
    {
        $rule = $sent->kind->rule();
        try {
            $answers = PatternAnswers::to($rule->questions(), $sent->answers, $loaded->installation);
            $sketch = new Sketch($loaded->installation);
            $rule->draw($sketch, $answers);

            return $sketch->drawn();
        } catch (CannotJoin $cannot) {
            throw BadLine::refusing($cannot);
        }
    }

    /**
     * @return list<string> ids of the runs that came
     *
     * @throws BadLine
     */
    public function make(Loaded $loaded, Author $by, PatternAnswered $sent): array
    {
        $drawn = $this->drawn($loaded, $sent);
        $codes = array_map(static fn (string $id): string => $drawn->in->theRun($id)->code, $drawn->runs);
        $words = implode(' to ', array_unique([$codes[0] ?? '', $codes[count($codes) - 1] ?? ''])).
            ' added from a pattern';
        $this->log->write(Decision::on(
            $loaded,
            $by,
            $words,
            DrawnEdits::of($loaded, $drawn, []),
            pins: DrawnEdits::pins($drawn),
        ));

        return $drawn->runs;
    }
}
