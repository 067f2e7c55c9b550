<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;

/**
 * Tails of a panel are laced to its bars once their joints are made, each to the bar nearest its row, and are looked
 * over as they stay. Source: common practice.
 */
final readonly class PanelLacing
{
    public function __construct(private Panel $panel, private Installation $installation)
    {
    }

    /**
     * @param  list<Operation>  $operations
     * @param  array<int|string, int>  $rows  of the connectors that are soldered in it, by fitting
     * @return list<Operation>
     */
    public function laced(array $operations, array $rows): array
    {
        $ends = $this->panel->bars === [] ? [] : $this->ends($operations, $rows);
        if ($ends === []) {
            return $operations;
        }
        $needs = [];
        foreach ($operations as $operation) {
            $needs[$operation->id] = array_map(static fn (Prerequisite $of): string => $of->before, $operation->needs);
        }
        $looks = self::at($operations, $rows, StepKind::Inspect);
        $tugs = self::at($operations, $rows, StepKind::Tug);
        $added = $waits = [];
        foreach ($ends as [$first, $joins, $fittings]) {
            $made = [...$joins, ...array_values(array_intersect_key($tugs, $fittings))];
            // What its own joints wait for was looked over before.
            $after = array_diff(array_intersect_key($looks, $fittings), self::before($made, $needs));
            $added[] = $lace = $this->lace($first, $made, array_values($after), array_intersect_key($rows, $fittings));
            foreach ($after as $look) {
                $waits[$look][] = new Prerequisite($lace->id, 'It is looked over as it stays.');
            }
        }
        $waiting = static fn (Operation $of): Operation => isset($waits[$of->id])
            ? $of->needing([...$of->needs, ...$waits[$of->id]])
            : $of;

        return [...array_map($waiting, $operations), ...$added];
    }

    /**
     * Cable ends that are joined in it.
     *
     * @param  list<Operation>  $operations
     * @param  array<int|string, int>  $rows
     * @return list<array{Operation, list<string>, array<int|string, true>}> a step of it, its joints, its connectors
     */
    private function ends(array $operations, array $rows): array
    {
        $first = $joins = $fittings = [];
        foreach ($operations as $operation) {
            if (
                $operation->step->kind === StepKind::Join && $operation->side !== null &&
                isset($rows[$operation->fitting])
            ) {
                $end = $operation->run.'|'.$operation->side->value;
                $first[$end] ??= $operation;
                $joins[$end][] = $operation->id;
                $fittings[$end][$operation->fitting] = true;
            }
        }

        $laced = array_filter($first, fn (Operation $of): bool => ! $this->isJumper($of->run));

        return array_map(
            static fn (string $end): array => [$first[$end], $joins[$end], $fittings[$end]],
            array_map(strval(...), array_keys($laced)),
        );
    }

    /** It leads from one place of the panel to another. */
    private function isJumper(string $run): bool
    {
        foreach (Side::cases() as $side) {
            $ends = array_map(
                static fn (Leg $leg): string => $leg->landing->fitting ?? '',
                $this->installation->theRun($run)->end($side)->legs,
            );
            if (array_intersect($ends, $this->panel->places) === []) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<Operation>  $operations
     * @param  array<int|string, int>  $rows
     * @return array<int|string, string> fitting → its step of this kind
     */
    private static function at(array $operations, array $rows, StepKind $kind): array
    {
        $steps = [];
        foreach ($operations as $operation) {
            if ($operation->step->kind === $kind && isset($rows[$operation->fitting])) {
                $steps[$operation->fitting] = $operation->id;
            }
        }

        return $steps;
    }

    /**
     * @param  list<string>  $of
     * @param  array<int|string, list<string>>  $needs
     * @return list<string> everything that has to be done before one of these
     */
    private static function before(array $of, array $needs): array
    {
        $known = [];
        while ($of !== []) {
            $next = array_pop($of);
            foreach ($needs[$next] ?? [] as $need) {
                if (! isset($known[$need])) {
                    $known[$need] = true;
                    $of[] = $need;
                }
            }
        }

        return array_map(strval(...), array_keys($known));
    }

    /**
     * @param  list<string>  $made  what has to be done before
     * @param  list<string>  $after  who did these has laced it
     * @param  array<int|string, int>  $rows  that its tails lead to
     */
    private function lace(Operation $of, array $made, array $after, array $rows): Operation
    {
        $side = $of->side ?? throw new \LogicException('What is joined has an end.');
        $isOne = count($rows) === 1;
        $bars = $this->bars($rows);

        return new Operation(
            StepId::ofEnd($of->run, $side, StepKind::Lace),
            Task::Dress,
            $of->run,
            $side,
            preg_replace('~, .*$~', '', $of->place) ?? $of->place,
            sprintf('Lace %s to the %s', $isOne ? 'it' : 'its tails', count($bars) > 1 ? 'bars' : 'bar'),
            Pace::Dress,
            Phase::Lace,
            detail: $this->words($bars),
            tool: 'lacing cord or ties',
            check: 'The bar carries the cable, not the joints; each connector still comes out on its tail.',
            why: 'Whatever hangs at a joint breaks it in the end. It is looked over after this, as it stays.',
            like: 'lace',
            amount: (float) count($rows),
            needs: array_map(
                static fn (string $id): Prerequisite => new Prerequisite($id, 'It is joined first.'),
                $made,
            ),
            facts: array_map(
                static fn (string $bar, array $its): string => $bar.': '.implode(', ', $its),
                array_map(strval(...), array_keys($bars)),
                $bars,
            ),
            impliedBy: $after,
        );
    }

    /**
     * @param  array<int|string, int>  $rows
     * @return array<int|string, non-empty-list<int>> how far down a bar is → rows that it takes
     */
    private function bars(array $rows): array
    {
        $bars = [];
        $rows = array_unique($rows);
        sort($rows);
        foreach ($rows as $row) {
            $bars[$this->panel->bar($row)?->canonical() ?? ''][] = $row;
        }

        return $bars;
    }

    /** @param  array<int|string, non-empty-list<int>>  $bars */
    private function words(array $bars): string
    {
        $all = $this->panel->bars;
        usort($all, static fn (Length $a, Length $b): int => $a->compare($b));
        $order = array_map(static fn (Length $bar): string => $bar->canonical(), $all);
        $words = [];
        foreach ($bars as $bar => $rows) {
            $words[] = sprintf(
                '%s %s to bar %d of %d',
                count($rows) > 1 ? 'rows' : 'row',
                implode(', ', $rows),
                (int) array_search((string) $bar, $order, true) + 1,
                count($order),
            );
        }

        return ucfirst(implode('; ', $words)).', from the top.';
    }
}
