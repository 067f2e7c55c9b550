<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Resistance;
use Sartal\Core\Ends\Wiring\Wiring;

/**
 * An insulation meter between two points that should not conduct, in MΩ. Two
 * readings agree where they lie in the same band: no meter repeats a leak's
 * value.
 */
final readonly class InsulationSense implements Sense
{
    /** MΩ, the least that is good. Source: IEC 60364-6, table of minimum insulation resistance, 500 V d.c. (from memory). */
    public const LEAST = 1.0;

    public function __construct(private TestSetup $setup)
    {
    }

    public function questions(Wiring $good): array
    {
        $questions = [];
        foreach ($this->setup->makeup->apart as [$one, $other]) {
            if (! isset($good->reach($one)[$other])) {
                $questions[$one.'|'.$other] = true;
            }
        }

        return array_map(strval(...), array_keys($questions));
    }

    public function nodes(string $at): array
    {
        return explode('|', $at, 2);
    }

    public function answer(Wiring $wiring, string $at): float
    {
        [$one, $other] = explode('|', $at, 2) + ['', ''];

        return Resistance::between($wiring, $one, $other) / 1e6;
    }

    public function agree(array|float|string $expected, array|float|string $read): bool
    {
        return is_float($expected) && is_float($read) && self::band($expected) === self::band($read);
    }

    private static function band(float $megohms): int
    {
        return match (true) {
            $megohms >= self::LEAST => 2,
            $megohms * 1e6 > MapMethod::LAMP => 1,
            default => 0,
        };
    }
}
