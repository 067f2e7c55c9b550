<?php

declare(strict_types=1);

namespace Sartal\Core\Catalogue;

/** A kind of signal: the functions it needs and what goes wrong when one is miswired. */
final readonly class SignalType
{
    /**
     * @param  list<SignalFunction>  $functions
     * @param  list<list<string>>  $differential  groups of functions that must share one twisted pair
     * @param  list<Consequence>  $consequences  most telling first
     */
    public function __construct(
        public string $id,
        public string $name,
        public HazardDomain $domain,
        public array $functions,
        public array $differential = [],
        public array $consequences = [],
    ) {
    }

    /**
     * What a fault on these functions means.
     *
     * @param  list<string>  $functions
     */
    public function consequence(string $fault, array $functions): string
    {
        foreach ($this->consequences as $consequence) {
            $kind = $consequence->fault === $fault || $consequence->fault === 'any';
            if ($kind && array_diff($consequence->functions, $functions) === []) {
                return $consequence->words;
            }
        }

        return '';
    }
}
