<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Given\Measure\Figure;

/** One line of a parts list: what is needed, what is there, what is to be bought. */
final readonly class PartsLine
{
    /**
     * @param  string  $group  as the list is divided: "cable", "connector", or a part's kind
     * @param  string  $unit  "pcs", "m", of solder "joints"
     * @param  Figure  $needed  and where
     * @param  float  $spares  more, against loss
     * @param  float  $returned  that comes back from kits
     * @param  float  $stock  on the shelf
     * @param  float  $short  that is still to be bought
     * @param  float  $pack  pieces or metres in a pack
     * @param  int  $packs  to be bought, rounded up once
     * @param  ?float  $price  of a pack; null: nobody said
     * @param  list<string>  $sources  of cable: names of what is there and it comes off
     * @param  list<array{metres: float, count: int}>  $reels  of cable: those to be bought, the longest first
     * @param  ?float  $worth  of what is needed, by the share of its pack; null: nobody said
     */
    public function __construct(
        public Sort $sort,
        public string $id,
        public string $name,
        public string $group,
        public string $colour,
        public string $unit,
        public Figure $needed,
        public float $spares,
        public float $returned,
        public float $stock,
        public float $short,
        public float $pack,
        public int $packs,
        public ?float $price,
        public ?float $worth,
        public array $sources = [],
        public array $reels = [],
    ) {
    }

    public function cost(): ?float
    {
        return $this->price === null ? ($this->packs === 0 ? 0.0 : null) : $this->packs * $this->price;
    }
}
