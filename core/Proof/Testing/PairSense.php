<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Wiring;

/** Whether the contacts of a pair are fed by one twist: what a wire-map tester finds out by coupling. */
final readonly class PairSense implements Sense
{
    use AgreesExactly;

    public function __construct(private TestSetup $setup)
    {
    }

    public function questions(Wiring $good): array
    {
        return $this->setup->pairIds();
    }

    public function nodes(string $at): array
    {
        return $this->setup->pair($at)->nodes ?? [];
    }

    public function answer(Wiring $wiring, string $at): string
    {
        $pair = $this->setup->pair($at);

        return $pair !== null && MapMethod::splits($wiring, [$pair]) !== [] ? PairCheck::SPLIT : PairCheck::TOGETHER;
    }
}
