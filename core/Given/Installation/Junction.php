<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A place where ways meet and no cable ends. */
final readonly class Junction
{
    public function __construct(public string $id, public string $name, public ?MapPoint $at = null)
    {
    }
}
