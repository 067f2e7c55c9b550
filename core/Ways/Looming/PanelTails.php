<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\TailCut;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;

/**
 * Tails of run ends that sit in panels. A group is the legs of one end, or all
 * single tails of one panel; it is cut equal to its longest or graded.
 */
final class PanelTails
{
    /** @var array<int|string, array{Panel, int, int}> by fitting */
    private array $places = [];

    /** @var array<int|string, Worked> longest single tail by panel */
    private array $longest = [];

    public function __construct(private readonly Installation $installation)
    {
        foreach ($installation->panels() as $panel) {
            foreach ($panel->places as $place => $fitting) {
                $at = $panel->place((string) $place);
                if ($at !== null) {
                    $this->places[$fitting] = [$panel, ...$at];
                }
            }
        }
        foreach ($this->places === [] ? [] : $installation->runs() as $run) {
            foreach ([$run->a, $run->b] as $end) {
                $this->note($end);
            }
        }
    }

    /** @return array<int|string, Worked> leg → its tail behind a panel; legs elsewhere are not in it */
    public function legs(Run $run, Side $side): array
    {
        $tails = [];
        $panels = [];
        foreach ($this->places === [] ? [] : $run->end($side)->legs as $leg) {
            [$panel, $row, $column] = $this->places[$leg->landing->fitting ?? ''] ?? [null, 0, 0];
            if ($panel !== null) {
                $tails[$leg->id] = Tail::to($panel, $row, $column);
                $panels[$leg->id] = $panel;
            }
        }
        foreach ($panels as $leg => $panel) {
            if ($panel->tails === TailCut::Equal) {
                $group = array_intersect_key(
                    $tails,
                    array_filter($panels, static fn (Panel $each): bool => $each === $panel),
                );
                $own = $tails[$leg];
                $equal = count($run->end($side)->legs) > 1 ? self::longest($group) : $this->longest[$panel->id] ?? $own;
                $cut[$leg] = self::equalled($own, $equal);
            }
        }

        return ($cut ?? []) + $tails;
    }

    /**
     * What an end needs beyond its stated tail: up the rack, and the longest tail behind the panel.
     *
     * @return list<Term>
     */
    public function terms(Run $run, Side $side): array
    {
        $legs = $this->legs($run, $side);
        if ($legs === []) {
            return [];
        }
        $longest = self::longest($legs);
        $panel = $this->panel($run->end($side), $legs);
        $climb = Tail::climb($panel, $this->installation);

        return [
            ...$climb === null
                ? []
                : [new Term('rack '.$side->value, $climb->detail, $climb->amount, $climb->source)],
            new Term(
                'panel '.$side->value,
                sprintf(
                    '%s of %d behind %s',
                    $panel->tails === TailCut::Equal ? 'equal tails' : 'the longest tail',
                    count($legs),
                    $panel->name,
                ),
                $longest->result,
                'along + to the bar + up + out + dressing',
            ),
        ];
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        $findings = [];
        $seen = [];
        foreach ($this->installation->panels() as $panel) {
            if (($panel->pitch->isZero() && $panel->columns > 1) || ($panel->rise->isZero() && $panel->rows > 1)) {
                $findings[] = Finding::check(
                    'panel.no-pitch',
                    Subject::panel($panel->id),
                    sprintf('%s has places that lie on each other: its pitch is nothing.', $panel->name),
                    'Measure from column to column and from row to row.',
                );
            }
            foreach ($panel->places as $place => $fitting) {
                $known = $this->installation->fitting($fitting);
                if ($known === null) {
                    $findings[] = Finding::check(
                        'panel.unknown-fitting',
                        Subject::panel($panel->id),
                        sprintf('Place %s of %s holds "%s", which is unknown.', $place, $panel->name, $fitting),
                        'Choose a fitting that exists, or free the place.',
                    );
                } elseif (isset($seen[$fitting])) {
                    $findings[] = Finding::stop(
                        'panel.twice',
                        Subject::panel($panel->id),
                        sprintf(
                            '%s sits at %s and at place %s of %s.',
                            $known->label,
                            $seen[$fitting],
                            $place,
                            $panel->name,
                        ),
                        'Leave it one place.',
                    );
                }
                $seen[$fitting] = sprintf('place %s of %s', $place, $panel->name);
            }
        }

        return $findings;
    }

    private function note(End $end): void
    {
        if (count($end->legs) !== 1) {
            return;
        }
        [$panel, $row, $column] = $this->places[$end->legs[0]->landing->fitting ?? ''] ?? [null, 0, 0];
        if ($panel !== null) {
            $tail = Tail::to($panel, $row, $column);
            $this->longest[$panel->id] = self::longest([
                ...array_values(array_filter([$this->longest[$panel->id] ?? null])),
                $tail,
            ]);
        }
    }

    /** @param  array<int|string, Worked>  $legs */
    private function panel(End $end, array $legs): Panel
    {
        foreach ($end->legs as $leg) {
            if (isset($legs[$leg->id])) {
                return $this->places[$leg->landing->fitting ?? ''][0];
            }
        }
        throw new \LogicException('An end without tails has no panel.');
    }

    /** @param  array<Worked>  $tails */
    private static function longest(array $tails): Worked
    {
        $longest = Worked::sum([]);
        foreach ($tails as $tail) {
            if ($tail->result->compare($longest->result) > 0) {
                $longest = $tail;
            }
        }

        return $longest;
    }

    private static function equalled(Worked $own, Worked $longest): Worked
    {
        $more = $longest->result->minus($own->result);

        return Worked::sum([
            ...$own->terms,
            new Term('to be equal', 'cut like the longest of the group', $more, 'decided for the panel'),
        ]);
    }

    /** What a leg is cut to, where nothing sits in a panel. */
    public static function stated(Length $length): Worked
    {
        return Worked::sum([new Term('stated', 'for this leg', $length, 'decided for the run')]);
    }
}
