<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

use Sartal\Core\Given\Catalogue\Conductor;

/** A conductor and the address of the terminal that it lands on. */
final readonly class Landed
{
    public function __construct(public Conductor $conductor, public string $address)
    {
    }
}
