<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

/** Everything that some work needs, by kind. */
final readonly class PartsList
{
    /**
     * @param  list<PartsLine>  $lines
     * @param  float  $cost  of what is to be bought and has a price
     * @param  list<string>  $unpriced  names of what is to be bought and has none
     */
    public function __construct(public array $lines, public float $cost, public array $unpriced)
    {
    }
}
