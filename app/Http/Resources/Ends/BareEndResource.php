<?php

declare(strict_types=1);

namespace App\Http\Resources\Ends;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Work\Bench\Cautions;

/**
 * An end that has no connector.
 *
 * @phpstan-type LeftBare array{words: string, cautions: list<string>}
 */
final class BareEndResource
{
    /** @return ?LeftBare null: it has one */
    public static function of(End $end, ?CableType $cable): ?array
    {
        return $end->isFitted() ? null : [
            'words' => $end->bare?->words() ?? '',
            'cautions' => $cable === null ? [] : Cautions::bare($cable),
        ];
    }
}
