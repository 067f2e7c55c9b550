<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;

/** How far a terminal is from where the sheath ends in the connector, for conductors that are meant by it. */
final readonly class TerminalReach
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  list<string>  $of  cables that prepare so; empty: any
     * @param  string  $function  that a conductor carries; "": any
     * @param  ?Onto  $joins  conductors of this kind alone
     * @param  string  $written  as it is marked, in its own unit
     * @param  bool  $isAsked  it stands in for the maker's own figure, which nobody has given yet
     */
    public function __construct(
        public Length $length,
        public string $written,
        public array $of = [],
        public string $function = '',
        public ?Onto $joins = null,
        public bool $isAsked = false,
    ) {
    }

    public function asked(): self
    {
        return $this->copy(['isAsked' => true]);
    }

    /**
     * @param  string  $prepares  the cable
     * @param  string  $function  of the conductor
     * @param  Onto  $joins  what it is: a screen, protective earth, or a core
     */
    public function isOf(string $prepares, string $function, Onto $joins): bool
    {
        return ($this->of === [] || in_array($prepares, $this->of, true)) &&
            ($this->function === '' || $this->function === $function) &&
            ($this->joins === null || $this->joins === $joins);
    }
}
