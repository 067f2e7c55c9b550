<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;

/** Which contact plans fit a cable. */
final readonly class FitsAsked implements Shape
{
    /**
     * @param  string  $signals  up to eight, each after a bar
     */
    public function __construct(
        #[Text(max: 255, min: 0)] public string $cable = '',
        #[Text(max: 2000, min: 0)] public string $signals = '',
    ) {
    }
}
