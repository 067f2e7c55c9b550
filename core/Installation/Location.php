<?php

declare(strict_types=1);

namespace Sartal\Core\Installation;

final readonly class Location
{
    public function __construct(public string $id, public string $name)
    {
    }
}
