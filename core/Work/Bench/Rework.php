<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/** What putting a flaw right goes back to, what it costs and what it leaves of the cable. */
final readonly class Rework
{
    /**
     * @param  list<string>  $reopens  operations that are to be done again, in the order of work
     * @param  array<int|string, int>  $scraps  part or connector type → how many are thrown away
     * @param  list<string>  $survives  what goes on being used, in words
     * @param  bool  $cutsBack  whether the end's preparation length is used up once more
     * @param  ?int  $sparesLeft  times that this end can be made again after it; null where nothing is cut
     */
    public function __construct(
        public Disposition $remedy,
        public array $reopens,
        public array $scraps,
        public array $survives,
        public bool $cutsBack,
        public ?int $sparesLeft,
        public string $words,
    ) {
    }
}
