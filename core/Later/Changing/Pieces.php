<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Fingerprint;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Work\Cutting\StockTake;

/** The pieces that runs are made of. */
final class Pieces
{
    /** @var array<int|string, ?CutPiece> */
    private array $known = [];

    /** @param  ?Plan  $before  by which it was cut, where nobody wrote its length down */
    public function __construct(private readonly Work $work, private readonly ?Plan $before = null)
    {
    }

    /** Null where nothing is cut for it. */
    public function of(string $run): ?CutPiece
    {
        return array_key_exists($run, $this->known)
            ? $this->known[$run]
            : ($this->known[$run] = $this->look($this->work->installation->theRun($run)));
    }

    /** @return list<CutPiece> of one type of cable that another run can have, and those of these runs */
    public function free(string $cable): array
    {
        $free = [];
        foreach ($this->work->installation->runs() as $run) {
            $piece = $run->cable === $cable && ! $run->withdrawn ? $this->of($run->id) : null;
            if ($piece?->free === true && $this->isCertain($piece)) {
                $free[] = $piece;
            }
        }

        return $free;
    }

    /** Whether anything is known of its length: somebody wrote it down, or the plan that it was cut by is at hand. */
    public function isCertain(CutPiece $piece): bool
    {
        return $piece->known || $this->before !== null;
    }

    private function look(Run $run): ?CutPiece
    {
        $cut = StockTake::last($this->work->record, $run->id);
        $plan = $this->work->plan->runs[$run->id] ?? null;
        if ($cut === null || $plan === null) {
            return null;
        }
        $known = $cut->cut()?->length;
        // What was cut before anybody reckoned with something is not too short for it.
        $edition = Fingerprint::edition($cut->fingerprint) ?? Edition::now();
        $needs = $plan->cut->reckonedBy($edition);
        $length = $known ?? ($this->before->runs[$run->id] ?? $plan)->cut->known($edition);

        return new CutPiece(
            $run->id,
            $run->code,
            $run->cable,
            StockTake::piece($cut),
            $length,
            $needs->exact,
            $needs->result,
            self::reserve($run),
            $this->work->isFree($run->id),
            $known !== null,
        );
    }

    public static function reserve(Run $run): Length
    {
        $reserve = Length::zero();
        foreach ([$run->a, $run->b] as $end) {
            $reserve = $reserve->plus($end->slack, $end->preparation->times($end->spares));
        }

        return $reserve;
    }
}
