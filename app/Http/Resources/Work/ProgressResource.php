<?php

declare(strict_types=1);

namespace App\Http\Resources\Work;

use App\Contract\Map;
use App\Planning\RunsInGroups;
use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Later\Progress\GroupTally;
use Sartal\Core\Later\Progress\StageTally;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Stage;

/**
 * How far runs have come, together with those of their loom, at their places and on their kind of cable.
 *
 * @phpstan-import-type InGroups from RunsInGroups
 *
 * @phpstan-type StageCount array{of: int, done: int, failed: int, overtaken: int}
 * @phpstan-type GroupShown array{name: string, runs: int, stages: Map<StageCount>}
 * @phpstan-type GroupsShown array{
 *     all: GroupShown,
 *     loom: list<GroupShown>,
 *     place: list<GroupShown>,
 *     cable: list<GroupShown>,
 * }
 * @phpstan-type CableCut array{cable: string, runs: int, wanted: float, cut: float}
 */
final class ProgressResource
{
    /**
     * @param  array<int|string, InGroups>  $rows  by run
     * @param  array<int|string, RunStanding>  $standings  by run
     * @return GroupsShown
     */
    public static function groups(array $rows, array $standings): array
    {
        $all = new GroupTally('');
        $groups = ['loom' => [], 'place' => [], 'cable' => []];
        foreach ($rows as $id => $row) {
            $run = $standings[$id] ?? null;
            if ($run === null) {
                continue;
            }
            $all->add($run);
            // A run is of both of its places, and of one where they are the same.
            $of = ['loom' => [$row['loom']], 'place' => [$row['from'], $row['to']], 'cable' => [$row['cable']]];
            foreach ($of as $by => $names) {
                foreach (array_unique($names) as $name) {
                    ($groups[$by][$name] ??= new GroupTally($name))->add($run);
                }
            }
        }

        return [
            'all' => self::group($all),
            'loom' => self::listed($groups['loom']),
            'place' => self::listed($groups['place']),
            'cable' => self::listed($groups['cable']),
        ];
    }

    /**
     * Of each cable, metres that are wanted and that were cut; what was found in the building is not cut.
     *
     * @param  array<int|string, InGroups>  $rows  by run
     * @param  array<int|string, RunStanding>  $standings  by run
     * @return list<CableCut> the one of which most is wanted comes first
     */
    public static function cables(array $rows, array $standings): array
    {
        $cables = [];
        foreach ($rows as $id => $row) {
            $at = ($standings[$id] ?? null)?->at(Stage::Cut);
            if ($at === null) {
                continue;
            }
            $of = $cables[$row['cable']] ?? ['cable' => $row['cable'], 'runs' => 0, 'wanted' => 0.0, 'cut' => 0.0];
            $of['runs']++;
            $of['wanted'] += $row['metres'];
            $of['cut'] += $at === BeadState::ToDo ? 0.0 : $row['metres'];
            $cables[$row['cable']] = $of;
        }
        usort(
            $cables,
            static fn (array $a, array $b): int => [$b['wanted'], $a['cable']] <=> [$a['wanted'], $b['cable']],
        );

        return array_map(static fn (array $of): array => [
            'cable' => $of['cable'],
            'runs' => $of['runs'],
            'wanted' => round($of['wanted'], 1),
            'cut' => round($of['cut'], 1),
        ], $cables);
    }

    /**
     * @param  array<array-key, GroupTally>  $groups
     * @return list<GroupShown> in the order of their names, what has none last
     */
    private static function listed(array $groups): array
    {
        usort($groups, static fn (GroupTally $a, GroupTally $b): int => ($a->name === '') <=> ($b->name === '') ?:
            strnatcasecmp($a->name, $b->name) ?: strcmp($a->name, $b->name));

        return array_map(self::group(...), $groups);
    }

    /** @return GroupShown */
    private static function group(GroupTally $group): array
    {
        return [
            'name' => $group->name,
            'runs' => $group->runs(),
            'stages' => new Map(array_map(static fn (StageTally $each): array => [
                'of' => $each->of,
                'done' => $each->done,
                'failed' => $each->failed,
                'overtaken' => $each->overtaken,
            ], $group->stages())),
        ];
    }
}
