<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

use Sartal\Core\Work\Bench\Skill;

/** What no order of work can beat: the work for a skill, a tool or a bench, shared evenly, and the longest chain. */
final class Bounds
{
    /**
     * @param  list<Chore>  $chores
     * @param  list<Hand>  $hands
     * @param  array<int|string, int>  $tools
     * @param  array<int|string, float>  $tails  chore → min from its beginning to the end of the longest chain
     * @return list<Floor> the tightest first
     */
    public static function find(array $chores, array $hands, array $tools, int $benches, array $tails): array
    {
        $total = array_sum(array_map(static fn (Chore $chore): float => $chore->minutes, $chores));
        $bounds = [
            new Floor('the longest chain of steps that wait for each other', max([0.0, ...array_values($tails)])),
        ];
        if ($hands !== []) {
            $bounds[] = new Floor(sprintf('all the work for %s', self::people(count($hands))), $total / count($hands));
        }
        foreach (Skill::cases() as $skill) {
            $work = array_sum(
                array_map(static fn (Chore $chore): float => $chore->skill === $skill ? $chore->minutes : 0.0, $chores),
            );
            $able = count(array_filter($hands, static fn (Hand $hand): bool => in_array($skill, $hand->skills, true)));
            if ($work > 0.0 && $able > 0) {
                $bounds[] = new Floor(
                    sprintf('%s, for %s', $skill->words(), self::people($able)),
                    $work / $able,
                );
            }
        }
        foreach ($tools as $tool => $count) {
            $work = array_sum(
                array_map(
                    static fn (Chore $chore): float => in_array((string) $tool, $chore->tools, true)
                        ? $chore->minutes
                        : 0.0,
                    $chores,
                ),
            );
            if ($work > 0.0) {
                $bounds[] = new Floor(
                    sprintf('%s, of which there %s %d', $tool, $count === 1 ? 'is' : 'are', $count),
                    $work / max(1, $count),
                );
            }
        }
        if ($benches > 0) {
            $bounds[] = new Floor(sprintf('%d %s', $benches, $benches === 1 ? 'bench' : 'benches'), $total / $benches);
        }
        usort($bounds, static fn (Floor $a, Floor $b): int => $b->minutes <=> $a->minutes);

        return $bounds;
    }

    /** "one person", "3 people" */
    public static function people(int $count): string
    {
        return $count === 1 ? 'one person' : $count.' people';
    }
}
