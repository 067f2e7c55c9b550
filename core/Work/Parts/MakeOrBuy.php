<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Given\Measure\Figure;

/** What an assembly costs made here, beside the same ready made. */
final readonly class MakeOrBuy
{
    /**
     * @param  Figure  $make  in the installation's currency
     * @param  ?float  $buy  price typed in; null: nobody said
     * @param  ?Figure  $saving  per cent of the price; below nothing: buying is cheaper
     * @param  list<string>  $unpriced  parts that have no price, so that making costs at least this
     */
    public function __construct(
        public string $assembly,
        public Figure $minutes,
        public Figure $make,
        public ?float $buy,
        public ?Figure $saving,
        public array $unpriced,
    ) {
    }
}
