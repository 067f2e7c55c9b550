<?php

declare(strict_types=1);

namespace Sartal\Core\Testing;

use Sartal\Core\Wiring\Wiring;

/** Whether the contacts of a pair are fed by one twist: what a wire-map tester finds out by coupling. */
final readonly class PairSense implements Sense
{
    public const SPLIT = 'split';

    public const TOGETHER = 'together';

    /** @var array<string, PairCheck> */
    private array $pairs;

    public function __construct(TestSetup $setup)
    {
        $this->pairs = array_column($setup->pairs, null, 'id');
    }

    public function questions(Wiring $good): array
    {
        return array_map(strval(...), array_keys($this->pairs));
    }

    public function nodes(string $at): array
    {
        return $this->pairs[$at]->nodes ?? [];
    }

    public function answer(Wiring $wiring, string $at): string
    {
        $pair = $this->pairs[$at] ?? null;

        return $pair !== null && MapMethod::splits($wiring, [$pair]) !== [] ? self::SPLIT : self::TOGETHER;
    }

    public function agree(array|float|string $expected, array|float|string $read): bool
    {
        return $expected === $read;
    }
}
