<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;

/** A run in words. */
final readonly class QuickRun implements Shape
{
    public function __construct(
        #[Text(max: 300, remedy: 'Write a run, such as its code, cable and both places.')] public string $text,
    ) {
    }
}
