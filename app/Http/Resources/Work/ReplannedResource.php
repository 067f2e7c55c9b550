<?php

declare(strict_types=1);

namespace App\Http\Resources\Work;

use App\Planning\Loaded;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\Replanned;

/**
 * What became otherwise in the cut plan.
 *
 * @phpstan-type ReplannedShown array{
 *     moved: list<array{code: string, from: string, to: string}>,
 *     again: list<string>,
 *     done: list<string>,
 *     bought: list<array{cable: string, reels: int}>,
 * }
 */
final class ReplannedResource
{
    /** @return ReplannedShown */
    public static function between(Loaded $before, Loaded $after): array
    {
        return self::of(Replanned::between($before->cutPlan(), $after->cutPlan()), $after->cutFacts());
    }

    /** @return ReplannedShown */
    public static function of(Replanned $all, CutFacts $facts): array
    {
        $bought = [];
        foreach ($all->bought as $cable => $reels) {
            $bought[] = [
                'cable' => $facts->cable((string) $cable),
                'reels' => $reels,
            ];
        }

        return [
            'moved' => array_map(
                static fn (array $each): array => [
                    'code' => $facts->code($each['run']),
                    'from' => $each['from'],
                    'to' => $each['to'],
                ],
                $all->moved,
            ),
            'again' => array_map($facts->code(...), $all->again),
            'done' => array_map($facts->code(...), $all->done),
            'bought' => $bought,
        ];
    }
}
