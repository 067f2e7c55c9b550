<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;

/** Runs in words, a line each. */
final readonly class QuickRun implements Shape
{
    public function __construct(
        #[Text(max: 6000, remedy: 'Write a run, such as 2 mic hall > rack.', lines: true)] public string $text,
    ) {
    }
}
