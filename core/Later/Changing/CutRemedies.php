<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\Sort;

/** A piece that was cut to another length: whether it still serves, what makes up for it, who else could have it. */
final readonly class CutRemedies
{
    /** @param  ?Exchanges  $exchanges  null: what others could give is left open */
    public function __construct(
        private Work $work,
        private Pieces $pieces,
        private Worth $worth,
        private ?Exchanges $exchanges,
    ) {
    }

    public function of(Run $run): Overtaken
    {
        $piece = $this->pieces->of($run->id);
        if ($piece === null || $this->isOfAnotherCable($run)) {
            return new Overtaken(
                OvertakenKind::Cut,
                null,
                sprintf(
                    'Cut from another cable than %s',
                    $this->work->installation->catalogue->cable($run->cable)->name ?? $run->cable,
                ),
                ruledOut: ['It is another cable: only a new piece serves.'],
            );
        }
        if (! $this->pieces->isCertain($piece)) {
            return new Overtaken(
                OvertakenKind::Cut,
                null,
                'Cut by an earlier plan, and nobody wrote down how long it is',
                ruledOut: [
                    'Slack or another piece: measure it and record the cut first, then they can be reckoned with.',
                ],
            );
        }
        $missing = Worked::sum([
            new Term(
                'needed',
                'by the plan, before it is rounded up',
                $piece->needed,
                'the sum that the schedule shows',
            ),
            new Term(
                'the piece',
                $piece->known ? 'as the record of its cut has it' : 'as it was planned when it was cut',
                Length::zero()->minus($piece->length),
                'the record',
            ),
        ]);
        $short = ! $missing->exact->isNegative() && ! $missing->exact->isZero();
        $words = sprintf(
            'Cut at %s, needs %s: %s',
            $piece->length->canonical(),
            $piece->needed->canonical(),
            $short
                ? $missing->exact->canonical().' too short'
                : Length::zero()->minus($missing->exact)->canonical().' more than it needs',
        );
        [$remedies, $ruledOut] = $short ? $this->short($run, $piece, $missing->exact) : [[$this->keep()], []];
        usort($remedies, static fn (Remedy $a, Remedy $b): int => $a->cost->value <=> $b->cost->value);
        $ring = array_values(
            array_filter($remedies, static fn (Remedy $remedy): bool => $remedy->kind === RemedyKind::Exchange),
        );

        return new Overtaken(
            OvertakenKind::Cut,
            null,
            $words,
            [],
            $missing,
            $remedies,
            $ruledOut,
            $ring[0] ?? null,
            $short && $piece->free && $this->exchanges === null,
        );
    }

    private function isOfAnotherCable(Run $run): bool
    {
        $cut = $this->work->last($run->id, null, EventKind::Cut)?->cut();

        return $cut !== null && $cut->cable !== '' && $cut->cable !== $run->cable;
    }

    private function keep(): Remedy
    {
        $minutes = Worth::minutes(new Effort('confirm', 'measure it against its plan', Worth::CONFIRM));

        return new Remedy(
            RemedyKind::Keep,
            'It is long enough: keep it, and coil what is over',
            $minutes,
            $this->worth->cost($minutes, []),
        );
    }

    /** @return array{list<Remedy>, list<string>} what helps; what does not, and why */
    private function short(Run $run, CutPiece $piece, Length $missing): array
    {
        $remedies = $ruledOut = [];
        $slack = self::slack($run, $missing);
        if ($slack === null) {
            $ruledOut[] = sprintf(
                'Service slack and spares: %s in all, %s too little.',
                $piece->reserve->canonical(),
                $missing->minus($piece->reserve)->canonical(),
            );
        } else {
            $minutes = Worth::minutes(new Effort('confirm', 'measure it, and note what is left', Worth::CONFIRM));
            $remedies[] = new Remedy(
                RemedyKind::Slack,
                'Use up '.implode(', ', $slack),
                $minutes,
                $this->worth->cost($minutes, []),
            );
        }
        $ring = $piece->free ? $this->exchanges?->ringOf($run->id) ?? [] : [];
        if (! $piece->free) {
            $ruledOut[] = 'Another run’s piece: this one is begun already.';
        } elseif ($this->exchanges === null) {
            $ruledOut[] = 'Another run’s piece: nobody has looked for one yet.';
        } elseif ($ring === []) {
            $ruledOut[] = 'Another run’s piece: none that is cut and not begun is long enough and can be spared.';
        } else {
            $remedies[] = $this->exchange($run, $ring, $this->exchanges);
        }
        $ruledOut[] = 'A splice: no joint is hidden along a run.';

        return [$remedies, $ruledOut];
    }

    /** @param  array<int|string, string>  $ring  run → run whose piece it takes */
    private function exchange(Run $run, array $ring, Exchanges $exchanges): Remedy
    {
        $said = [];
        $helped = 0;
        $parts = $terms = [];
        foreach ($ring as $to => $from) {
            $to = (string) $to;
            [$needs, $gets] = [$this->pieces->of($to), $this->pieces->of($from)];
            if ($needs === null || $gets === null) {
                continue;
            }
            $helped += $needs->serves($needs) ? 0 : 1;
            if (! $gets->servesAtAPinch($needs)) {
                $said[] = $to === $run->id ? 'Cut it anew' : $this->code($to).' is cut anew';
                $parts[] = new Ask(Sort::Cable, $needs->cable, $needs->planned->inMetres(), $to, $this->code($to));
                array_push(
                    $terms,
                    ...$this->worth->again(
                        array_values(
                            array_filter(
                                $this->work->operations($to),
                                static fn (Operation $each): bool => $each->run === $to &&
                                    in_array($each->task, [Task::Cut, Task::Mark], true),
                            ),
                        ),
                    ),
                );

                continue;
            }
            $said[] =
                $to === $run->id
                    ? sprintf('Take the piece of %s, %s', $this->code($from), $gets->length->canonical())
                    : sprintf('%s takes the one of %s', $this->code($to), $this->code($from));
            if (! $gets->serves($needs)) {
                $terms[] = new Effort('confirm', $this->code($to).': note what slack is left', Worth::CONFIRM);
                $said[] = sprintf(
                    '%s uses up %s',
                    $this->code($to),
                    implode(
                        ', ',
                        self::slack($this->work->installation->theRun($to), $needs->needed->minus($gets->length)) ?? [],
                    ),
                );
            }
        }
        // Each run that it helps carries its share, so that a sum over all of them counts the ring once.
        $among = max(1, $helped);
        $minutes = Worth::shared($among, ...$exchanges->terms($ring), ...$terms);
        $parts = array_map(
            static fn (Ask $ask): Ask => new Ask($ask->sort, $ask->id, $ask->amount / $among, $ask->run, $ask->for),
            $parts,
        );

        return new Remedy(
            RemedyKind::Exchange,
            implode('; ', $said),
            $minutes,
            $this->worth->cost($minutes, $parts),
            $parts,
            pieces: $ring,
        );
    }

    private function code(string $run): string
    {
        return $this->work->installation->theRun($run)->code;
    }

    /**
     * Slack from the end that has more of it, then from the other, then spare
     * ends, each whole.
     *
     * @return ?list<string> what is used up, in words; null where it is not enough
     */
    private static function slack(Run $run, Length $missing): ?array
    {
        $sides = Side::cases();
        usort($sides, static fn (Side $a, Side $b): int => $run->end($b)->slack->compare($run->end($a)->slack));
        $words = [];
        $spares = ['A' => 0, 'B' => 0];
        $left = $missing->nanometres;
        foreach ($sides as $side) {
            $take = min($left, $run->end($side)->slack->nanometres);
            if ($take > 0) {
                $left -= $take;
                $words[] = sprintf('%s of the slack at end %s', Length::nanometres($take)->canonical(), $side->value);
            }
        }
        foreach ($sides as $side) {
            $end = $run->end($side);
            while ($left > 0 && $spares[$side->value] < $end->spares && ! $end->preparation->isZero()) {
                $spares[$side->value]++;
                $left -= $end->preparation->nanometres;
            }
            if ($spares[$side->value] > 0) {
                $words[] = sprintf(
                    '%d spare %s at end %s',
                    $spares[$side->value],
                    $spares[$side->value] === 1 ? 'length' : 'lengths',
                    $side->value,
                );
            }
        }

        return $left > 0 ? null : $words;
    }
}
