<?php

declare(strict_types=1);

namespace App\Http\Resources\Proof;

use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Diagnosing\CauseWords;
use Sartal\Core\Proof\Diagnosing\Coverage;
use Sartal\Core\Proof\Diagnosing\FaultKind;
use Sartal\Core\Proof\Diagnosing\Unseen;
use Sartal\Core\Proof\Testing\Methods;

/**
 * What chosen checks let pass, in words.
 *
 * @phpstan-type CoverageShown array{
 *     faults: int,
 *     seen: int,
 *     unseen: list<array{
 *         kind: value-of<FaultKind>,
 *         count: int,
 *         names: list<string>,
 *         consequence: string,
 *         add: array{id: value-of<Method>, words: string, minutes: float}|null,
 *     }>,
 *     checks: list<array{id: value-of<Method>, words: string, minutes: float, chosen: bool}>,
 * }
 */
final class CoverageResource
{
    /** Faults of a kind that are named. */
    private const NAMED = 3;

    /** @return CoverageShown */
    public static function of(Coverage $coverage, CauseWords $words): array
    {
        return [
            'faults' => $coverage->faults,
            'seen' => $coverage->seen(),
            'unseen' => array_map(
                static fn (Unseen $unseen): array => [
                    'kind' => $unseen->kind->value,
                    'count' => count($unseen->faults),
                    'names' => array_map($words->name(...), array_slice($unseen->faults, 0, self::NAMED)),
                    'consequence' => $words->consequence($unseen->faults[0]),
                    'add' => $unseen->add === null
                            ? null
                            : [
                                'id' => $unseen->add->value,
                                'words' => Methods::card($unseen->add)->words,
                                'minutes' => Methods::card($unseen->add)->minutes,
                            ],
                ],
                $coverage->unseen,
            ),
            'checks' => array_map(
                static fn (Method $method): array => [
                    'id' => $method->value,
                    'words' => Methods::card($method)->words,
                    'minutes' => Methods::card($method)->minutes,
                    'chosen' => in_array($method, $coverage->methods, true),
                ],
                Method::cases(),
            ),
        ];
    }
}
