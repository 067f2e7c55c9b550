<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Resistance;
use Sartal\Core\Ends\Wiring\Wiring;

/** An ohmmeter between two points that should conduct, in Ω. */
final readonly class OhmSense implements Sense
{
    /** What it is trusted with, share and Ω: common practice. */
    public const SHARE = 0.2;

    public const LEAST = 0.05;

    public function __construct(private TestSetup $setup)
    {
    }

    public function questions(Wiring $good): array
    {
        $questions = [];
        foreach (array_keys($this->setup->from) as $from) {
            $from = (string) $from;
            foreach (array_intersect_key($good->reach($from, MapMethod::LAMP), $this->setup->to) as $to => $_) {
                $to = (string) $to;
                if (
                    $to !== $from &&
                    ! (isset($this->setup->from[$to], $this->setup->to[$from]) && strcmp($to, $from) < 0)
                ) {
                    $questions[] = $from.'|'.$to;
                }
            }
        }

        return $questions;
    }

    public function nodes(string $at): array
    {
        return explode('|', $at, 2);
    }

    public function answer(Wiring $wiring, string $at): float
    {
        [$one, $other] = explode('|', $at, 2) + ['', ''];

        return Resistance::between($wiring, $one, $other, MapMethod::LAMP);
    }

    public function agree(array|float|string $expected, array|float|string $read): bool
    {
        return (new Tolerance(self::SHARE, self::LEAST))->agrees($expected, $read);
    }
}
