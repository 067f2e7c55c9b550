<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Shape;
use App\Contract\Text;

/** What some checks cannot see. */
final readonly class CoverageAsked implements Shape
{
    /**
     * @param  string  $checks  parted by commas
     */
    public function __construct(#[Text(min: 0)] public string $checks = '')
    {
    }
}
