<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** A kind of terminal of a connector: what it takes and how the joint is made. */
final readonly class TerminalKind
{
    /**
     * @param  list<string>  $parts  ids of the contacts that fill such a cavity, where it is bought empty
     * @param  string  $tool  with its die or setting
     */
    public function __construct(
        public string $name,
        public Joining $joining,
        public GaugeRange $gauge,
        public Strands $strands = Strands::Any,
        public array $parts = [],
        public string $tool = '',
    ) {
    }
}
