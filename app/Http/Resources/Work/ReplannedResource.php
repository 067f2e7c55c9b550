<?php

declare(strict_types=1);

namespace App\Http\Resources\Work;

use App\Planning\Loaded;
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
    public static function of(Replanned $all, Loaded $loaded): array
    {
        $code = static fn (string $run): string => $loaded->installation->runs()[$run]->code ?? $run;
        $bought = [];
        foreach ($all->bought as $cable => $reels) {
            $bought[] = [
                'cable' => $loaded->installation->catalogue->cables()[$cable]->name ?? (string) $cable,
                'reels' => $reels,
            ];
        }

        return [
            'moved' => array_map(
                static fn (array $each): array => [
                    'code' => $code($each['run']),
                    'from' => $each['from'],
                    'to' => $each['to'],
                ],
                $all->moved,
            ),
            'again' => array_map($code, $all->again),
            'done' => array_map($code, $all->done),
            'bought' => $bought,
        ];
    }
}
