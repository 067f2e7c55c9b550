<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

final readonly class Equipment
{
    /** @param  list<Port>  $ports */
    public function __construct(public string $id, public string $name, public string $location, public array $ports)
    {
    }

    public function port(string $id): ?Port
    {
        foreach ($this->ports as $port) {
            if ($port->id === $id) {
                return $port;
            }
        }

        return null;
    }
}
