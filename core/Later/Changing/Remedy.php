<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Work\Parts\Ask;

/** One way to put overtaken work right, and what it costs. */
final readonly class Remedy
{
    /**
     * @param  Figure  $minutes  of hands at work
     * @param  Figure  $cost  in the installation's currency, hours and parts; of what has a price
     * @param  list<Ask>  $parts  that it takes
     * @param  ?Side  $side  of an end that is worked on
     * @param  array<int|string, string>  $pieces  run → run whose piece it takes: the whole ring
     * @param  list<string>  $reopens  operations that are done again, in the order of work
     * @param  array<int|string, int>  $scraps  part or connector → how many are thrown away
     * @param  string  $step  operation at which it goes back to the bench
     */
    public function __construct(
        public RemedyKind $kind,
        public string $words,
        public Figure $minutes,
        public Figure $cost,
        public array $parts = [],
        public ?Side $side = null,
        public array $pieces = [],
        public array $reopens = [],
        public array $scraps = [],
        public string $step = '',
    ) {
    }

    /** Of the same remedy, whenever it is worked out. */
    public function key(): string
    {
        return $this->kind->value.($this->side === null ? '' : '-'.$this->side->value);
    }
}
