<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A circuit in a run: the element of the cable that carries it ("" for the whole cable). */
final readonly class Carriage
{
    public function __construct(public string $element, public string $circuit)
    {
    }
}
