<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** What the crew shares: how many can work at once, tools of which there are few, and the day it works towards. */
final readonly class Workshop
{
    /**
     * @param  int  $benches  places to work at; 0: as many as there are people
     * @param  float  $hours  at work on a day
     * @param  array<int|string, int>  $tools  tool, as operations name it → how many there are; what is not listed is
     *     at hand for everybody
     * @param  string  $wanted  day by which everything is to be done, as 2026-03-31; "": nobody said
     */
    public function __construct(
        public int $benches = 0,
        public float $hours = 7.5,
        public array $tools = [],
        public string $wanted = '',
    ) {
    }
}
