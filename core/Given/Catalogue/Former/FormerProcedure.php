<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Former;

/** A procedure that makes the ends of a recipe: in these connectors, or wherever that recipe was named. */
final readonly class FormerProcedure
{
    /** @param  list<string>  $connectors  ids; empty: any */
    public function __construct(public string $procedure, public array $connectors)
    {
    }

    public function isIn(string $connector): bool
    {
        return $this->connectors === [] || in_array($connector, $this->connectors, true);
    }
}
