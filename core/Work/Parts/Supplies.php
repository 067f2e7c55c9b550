<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Installation\Economy;
use Sartal\Core\Given\Installation\Installation;

/** What can be had, as far as a parts list asks: what it is called, how it is sold, at what price. */
final readonly class Supplies
{
    /**
     * @param  array<int|string, CableType>  $cables  by id
     * @param  array<int|string, string>  $connectors  what they are called, by id
     * @param  array<int|string, Part>  $parts  by id
     */
    public function __construct(
        public array $cables,
        public array $connectors,
        public array $parts,
        public Economy $economy,
    ) {
    }

    public static function of(Installation $installation): self
    {
        return new self(
            $installation->catalogue->cables(),
            array_map(static fn (ConnectorType $type): string => $type->name, $installation->catalogue->connectors()),
            $installation->catalogue->parts(),
            $installation->economy(),
        );
    }

    /** Without the kinds of cable of which there is nothing. */
    public function ofCables(string ...$cables): self
    {
        return new self(
            array_intersect_key($this->cables, array_flip($cables)),
            $this->connectors,
            $this->parts,
            $this->economy,
        );
    }
}
