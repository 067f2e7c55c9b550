<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Ways\Looming\PanelTrunks;

/**
 * A panel is wired as one piece of work: every connector is fixed in it before anything is soldered, jumpers come
 * before the tails that lie over them, and the rows in the middle before those that would be in the way; what is
 * joined is laced before it is looked over. Source: common practice.
 */
final readonly class PanelOrder
{
    private const LEVEL = 'Tails that begin at one height reach their rows without crossing.';

    private const FIXED = 'All of the panel’s connectors are fixed first: a cup that moves is not filled well.';

    private PanelTrunks $trunks;

    public function __construct(private Installation $installation)
    {
        $this->trunks = new PanelTrunks($installation);
    }

    /**
     * @param  list<Operation>  $operations
     * @return list<Operation>
     */
    public function of(array $operations): array
    {
        foreach ($this->installation->panels() as $panel) {
            $rows = $this->soldered($panel, $operations);
            if (count($rows) > 1) {
                $operations = $this->taped(self::fixedFirst($operations, $rows), $rows, $panel);
                $operations = (new PanelLacing($panel, $this->installation))->laced($operations, $rows);
                $operations = self::middleFirst($operations, $rows, $panel);
            }
        }

        return $operations;
    }

    /**
     * Those of its connectors that somebody solders here.
     *
     * @param  list<Operation>  $operations
     * @return array<int|string, int> fitting → its row, from 1
     */
    private function soldered(Panel $panel, array $operations): array
    {
        $hot = [];
        foreach ($operations as $operation) {
            $isJumpered = $operation->step->kind === StepKind::Close && $operation->impliedBy !== [];
            if ($isJumpered || ($operation->task === Task::Join && $operation->joining?->isHot() === true)) {
                $hot[$operation->fitting] = true;
            }
        }
        $rows = [];
        foreach ($panel->places as $place => $fitting) {
            $type = $this->installation->fitting($fitting)?->connector;
            $mount = $type === null ? null : $this->installation->catalogue->connector($type)?->mount;
            if (isset($hot[$fitting]) && $mount === Mount::Panel) {
                $rows[$fitting] = $panel->place((string) $place)[0] ?? 1;
            }
        }

        return $rows;
    }

    /**
     * Who waited until a connector was fixed waits for what that waited for: its joints, and the look.
     *
     * @param  list<Operation>  $operations
     * @param  array<int|string, int>  $rows
     * @return list<Operation>
     */
    private static function fixedFirst(array $operations, array $rows): array
    {
        $fixes = [];
        foreach ($operations as $operation) {
            if ($operation->step->kind === StepKind::Close && isset($rows[$operation->fitting])) {
                $fixes[$operation->id] = $operation;
            }
        }
        $fixOf = array_column($fixes, 'id', 'fitting');

        return array_map(
            static function (Operation $operation) use ($fixes, $fixOf): Operation {
                if (isset($fixes[$operation->id])) {
                    return $operation->fixedFirst();
                }
                $needs = [];
                foreach ($operation->needs as $need) {
                    array_push($needs, ...isset($fixes[$need->before]) ? $fixes[$need->before]->needs : [$need]);
                }
                $isHere = isset($fixOf[$operation->fitting]);
                $own = $isHere && in_array($operation->phase, [Phase::Link, Phase::Join], true);
                // All cups are filled in one go; whatever is joined in one waits for that.
                $before = match (true) {
                    $isHere && $operation->pace === Pace::Fill => array_values($fixOf),
                    $own => [$fixOf[$operation->fitting]],
                    default => [],
                };

                return $operation->needing([
                    ...$needs,
                    ...array_map(static fn (string $id): Prerequisite => new Prerequisite($id, self::FIXED), $before),
                ]);
            },
            $operations,
        );
    }

    /**
     * Several trunks whose tails spread over the panel are taped level with each other before any tail is joined.
     *
     * @param  list<Operation>  $operations
     * @param  array<int|string, int>  $rows
     * @return list<Operation>
     */
    private function taped(array $operations, array $rows, Panel $panel): array
    {
        $trunks = self::trunks($operations, $rows);
        if ($trunks === [] || ! $this->trunks->areSeveral($panel)) {
            return $operations;
        }
        $added = $waits = [];
        foreach ($trunks as [$first, $opened, $joins]) {
            $added[] = $tape = self::tape($first, $opened, $joins);
            $waits += array_fill_keys($joins, $tape->id);
        }
        foreach ($operations as $i => $operation) {
            $tape = $waits[$operation->id] ?? null;
            $operations[$i] = $tape === null
                ? $operation
                : $operation->needing([...$operation->needs, new Prerequisite($tape, self::LEVEL)]);
        }

        return [...$operations, ...$added];
    }

    /**
     * Cable ends that part into tails for several of the panel's connectors.
     *
     * @param  list<Operation>  $operations
     * @param  array<int|string, int>  $rows
     * @return list<array{Operation, list<string>, list<string>}> a step of it, what opens it, what is joined of it
     */
    private static function trunks(array $operations, array $rows): array
    {
        $fittings = $first = $opened = $joins = [];
        foreach ($operations as $operation) {
            if ($operation->side === null) {
                continue;
            }
            $trunk = $operation->run.'|'.$operation->side->value;
            if ($operation->phase === Phase::Sheath) {
                $opened[$trunk][] = $operation->id;
            } elseif (isset($rows[$operation->fitting]) && $operation->step->kind === StepKind::Join) {
                $first[$trunk] ??= $operation;
                $fittings[$trunk][$operation->fitting] = true;
                $joins[$trunk][] = $operation->id;
            }
        }
        $trunks = [];
        foreach ($first as $trunk => $operation) {
            if (count($fittings[$trunk]) > 1) {
                $trunks[] = [$operation, $opened[$trunk] ?? [], $joins[$trunk]];
            }
        }

        return $trunks;
    }

    /**
     * @param  list<string>  $opened
     * @param  list<string>  $joins
     */
    private static function tape(Operation $of, array $opened, array $joins): Operation
    {
        $side = $of->side ?? throw new \LogicException('A trunk has an end.');

        return new Operation(
            StepId::ofEnd($of->run, $side, StepKind::Level),
            Task::Dress,
            $of->run,
            $side,
            preg_replace('~, .*$~', '', $of->place) ?? $of->place,
            'Tape the trunk where its tails begin, level with the others',
            Pace::Dress,
            Phase::InPanel,
            detail: 'On a temporary lacing bar, so that no tail carries the weight.',
            tool: 'tape',
            check: 'All trunks of the panel part at one height.',
            why: 'Tails that begin at one height reach their rows without crossing.',
            like: 'level',
            turn: 1,
            needs: array_map(
                static fn (string $id): Prerequisite => new Prerequisite($id, 'Its tails are laid out first.'),
                $opened,
            ),
            impliedBy: $joins,
        );
    }

    /**
     * Among themselves, in the places that they have among all.
     *
     * @param  list<Operation>  $operations
     * @param  array<int|string, int>  $rows
     * @return list<Operation>
     */
    private static function middleFirst(array $operations, array $rows, Panel $panel): array
    {
        $middle = ($panel->rows + 1) / 2;
        $its = array_filter($operations, static fn (Operation $of): bool => isset($rows[$of->fitting]));
        $sorted = $its;
        uasort(
            $sorted,
            static fn (Operation $a, Operation $b): int => abs($rows[$a->fitting] - $middle) <=>
                abs($rows[$b->fitting] - $middle),
        );
        $sorted = array_values($sorted);
        foreach (array_keys($its) as $n => $i) {
            $operations[$i] = $sorted[$n];
        }

        return array_values($operations);
    }
}
