<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;

/**
 * How far a place may move. Moved along a way that leads to it, it makes that
 * way longer, and every run through it by as much and the route allowance; as
 * long as the runs keep their ways. Runs that are not cut yet follow.
 */
final readonly class LeewayFinder
{
    public function __construct(private Work $work, private Pieces $pieces)
    {
    }

    /** @return list<Leeway> by way, the first run to be too short first */
    public function of(string $place): array
    {
        $found = [];
        foreach ($this->work->installation->ways() as $way) {
            if ($way->across($place) === null) {
                continue;
            }
            $lines = [];
            foreach ($this->work->installation->runs() as $run) {
                $line =
                    $run->withdrawn || ! $this->work->plan->runs[$run->id]->lay->route->follows($way->id)
                        ? null
                        : $this->line($way->id, $run);
                if ($line !== null) {
                    $lines[] = $line;
                }
            }
            usort(
                $lines,
                static fn (Leeway $a, Leeway $b): int => $a->before->compare($b->before) ?: $a->code <=> $b->code,
            );
            array_push($found, ...$lines);
        }

        return $found;
    }

    private function line(string $way, Run $run): ?Leeway
    {
        $piece = $this->pieces->of($run->id);
        if ($piece === null) {
            return null;
        }
        $margin = Worked::sum([
            new Term(
                'the piece',
                $piece->known ? 'as the record of its cut has it' : 'as it was planned when it was cut',
                $piece->length,
                'the record',
            ),
            new Term(
                'needed',
                'by the plan, before it is rounded up',
                Length::zero()->minus($piece->needed),
                'the sum that the schedule shows',
            ),
        ]);

        return new Leeway(
            $way,
            $run->id,
            $run->code,
            $margin,
            $this->alongTheWay($margin->exact),
            $this->alongTheWay($margin->exact->plus($piece->reserve)),
        );
    }

    /** A metre of way takes a metre of cable and the route allowance on it. Rounded down, to the millimetre. */
    private function alongTheWay(Length $cable): Length
    {
        return Length::millimetres(
            floor($cable->inMillimetres() / (1 + $this->work->installation->rules()->routeAllowance / 100)),
        );
    }
}
