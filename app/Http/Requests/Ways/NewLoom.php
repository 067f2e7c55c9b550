<?php

declare(strict_types=1);

namespace App\Http\Requests\Ways;

use App\Contract\Items;
use App\Contract\Shape;
use App\Http\Requests\Plan\RunVersion;

/** A loom, and the runs that go into it. */
final readonly class NewLoom implements Shape
{
    /**
     * @param  array<string, mixed>  $part  as a file has it
     * @param  list<RunVersion>  $runs
     */
    public function __construct(#[Items(40)] public array $part, #[Items(max: 2000)] public array $runs = [])
    {
    }
}
