<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Whole;

/** A procedure that is tried before it is saved. */
final readonly class TrialAsked implements Shape
{
    /**
     * @param  array<array-key, mixed>  $definition
     * @param  int  $end  of those that it is tried on
     * @param  string  $step  after which the end is drawn; "" after the last
     */
    public function __construct(
        #[Document] public array $definition,
        #[Whole(min: 0, max: 100)] public int $end = 0,
        public string $step = '',
    ) {
    }
}
