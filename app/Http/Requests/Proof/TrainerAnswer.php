<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Shape;
use App\Contract\Text;

/** What the trainee takes to be the cause. */
final readonly class TrainerAnswer implements Shape
{
    public function __construct(#[Text(max: 400)] public string $fault)
    {
    }
}
