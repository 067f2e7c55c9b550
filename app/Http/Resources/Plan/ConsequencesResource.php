<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Plan\Planning\Consequences;

/**
 * What a change would change, for a person who is about to make it.
 *
 * @phpstan-import-type FindingShown from PlanEncoder
 *
 * @phpstan-type ConsequencesShown array{
 *     joints: int,
 *     ends: array{count: int, names: list<string>},
 *     cuts: array{count: int, names: list<string>},
 *     labels: array{count: int, names: list<string>},
 *     tests: array{count: int, names: list<string>},
 *     overtaken: array{count: int, names: list<string>},
 *     comes: list<FindingShown>,
 *     goes: int,
 * }
 */
final class ConsequencesResource
{
    private const LISTED = 12;

    /** @return ConsequencesShown */
    public static function of(Consequences $all): array
    {
        return [
            'joints' => $all->joints,
            'ends' => self::few($all->ends),
            'cuts' => self::few($all->cuts),
            'labels' => self::few($all->labels),
            'tests' => self::few($all->tests),
            'overtaken' => self::few($all->overtaken),
            'comes' => array_map(PlanEncoder::finding(...), array_slice($all->comes, 0, self::LISTED)),
            'goes' => count($all->goes),
        ];
    }

    /**
     * @param  list<string>  $names
     * @return array{count: int, names: list<string>}
     */
    private static function few(array $names): array
    {
        return ['count' => count($names), 'names' => array_slice($names, 0, self::LISTED)];
    }
}
