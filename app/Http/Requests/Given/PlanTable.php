<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Shape;
use App\Contract\Text;

/** A contact plan as a table. */
final readonly class PlanTable implements Shape
{
    public function __construct(#[Text(max: 1_000_000, remedy: 'Paste a table.', lines: true)] public string $table)
    {
    }
}
