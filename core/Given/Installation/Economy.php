<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** What things cost here, and what is on the shelf. Money is in the installation's currency. */
final readonly class Economy
{
    /**
     * @param  string  $currency  as it is written after an amount: "EUR"
     * @param  float  $rate  of an hour at the bench
     * @param  float  $spares  per cent more of small parts that get lost or spoiled
     * @param  array<int|string, float>  $prices  part id → of a pack; connector id → of one; cable id → of a metre
     * @param  array<int|string, int>  $stock  part or connector id → pieces on the shelf
     * @param  array<int|string, float>  $bought  assembly id → price of the same, ready made
     */
    public function __construct(
        public string $currency = 'EUR',
        public float $rate = 45.0,
        public float $spares = 5.0,
        public array $prices = [],
        public array $stock = [],
        public array $bought = [],
    ) {
    }
}
