<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Proof\Record\StepKind;

/**
 * A panel is wired as one piece of work: every connector is fixed in it before anything is soldered, jumpers come
 * before the tails that lie over them, and the rows in the middle before those that would be in the way. Source:
 * common practice.
 */
final readonly class PanelOrder
{
    private const FIXED = 'All of the panel’s connectors are fixed first: a cup that moves is not filled well.';

    public function __construct(private Installation $installation)
    {
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
                $operations = self::middleFirst(self::fixedFirst($operations, $rows), $rows, $panel);
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
            if ($operation->task === Task::Join && $operation->joining?->isHot() === true) {
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
