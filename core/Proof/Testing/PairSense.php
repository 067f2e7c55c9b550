<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;

/** Whether the contacts of a pair are fed by one twist: what a wire-map tester finds out by coupling. */
final readonly class PairSense implements Sense
{
    use PlainSense;

    private const UNIT = '';

    public function __construct(private TestSetup $setup)
    {
    }

    public static function card(Method $method): MethodCard
    {
        return new MethodCard(
            name: 'Pairs',
            words: 'pair test',
            limit: 'no pair is split',
            minutes: 0.3,
            near: Nearness::exactly(),
            answers: [PairCheck::TOGETHER, PairCheck::SPLIT],
        );
    }

    public static function for(Method $method, TestSetup $setup): self
    {
        return new self($setup);
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
