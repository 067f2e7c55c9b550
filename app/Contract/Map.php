<?php

declare(strict_types=1);

namespace App\Contract;

use JsonSerializable;

/**
 * What is found by a key: an object in JSON, also where it is empty or its keys are digits.
 *
 * @template-covariant T
 */
final readonly class Map implements JsonSerializable
{
    /** @param  array<int|string, T>  $of */
    public function __construct(public array $of)
    {
    }

    public function jsonSerialize(): object
    {
        return (object) $this->of;
    }
}
