<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Items;
use App\Contract\Shape;

/** Faults that are put into a simulated assembly. */
final readonly class InjectedFaults implements Shape
{
    /**
     * @param  list<string>  $faults
     */
    public function __construct(#[Items(50)] public array $faults = [])
    {
    }
}
