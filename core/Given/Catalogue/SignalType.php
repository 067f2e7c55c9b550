<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** A kind of signal: the functions it needs and what goes wrong when one is miswired. */
final readonly class SignalType
{
    /**
     * @param  list<SignalFunction>  $functions
     * @param  list<list<string>>  $differential  groups of functions that must share one twisted pair
     * @param  list<Consequence>  $consequences  most telling first
     * @param  ?int  $impedance  in Ω, of the line that it needs
     * @param  SignalJoins  $joins  how more than two places may share it
     * @param  bool  $colourRule  its polarity follows the house rule on colours, not the cable's order
     * @param  bool  $telescopes  its screen may be left open at one end, where the house does so
     * @param  list<string>  $words  that people say for it
     * @param  ?ReachRule  $reach  how far it goes; null: nobody asks
     * @param  string  $terminator  id of the part that ends a chain of it; "" where none does
     * @param  bool  $phantom  its screen may be the return of phantom power
     */
    public function __construct(
        public string $id,
        public string $name,
        public HazardDomain $domain,
        public array $functions,
        public array $differential = [],
        public array $consequences = [],
        public ?int $impedance = null,
        public SignalJoins $joins = SignalJoins::PointToPoint,
        public bool $colourRule = false,
        public bool $telescopes = false,
        public bool $phantom = false,
        public array $words = [],
        public ?ReachRule $reach = null,
        public string $terminator = '',
    ) {
    }

    public function isProtective(string $function): bool
    {
        foreach ($this->functions as $each) {
            if ($each->name === $function) {
                return $each->protective;
            }
        }

        return false;
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
