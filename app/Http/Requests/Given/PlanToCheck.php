<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Text;

/** A contact plan that is checked, and laid beside another. */
final readonly class PlanToCheck implements Shape
{
    /**
     * @param  array<array-key, mixed>  $definition
     */
    public function __construct(
        #[Document('contactPlan')] public array $definition,
        #[Text(max: 255, min: 0)] public string $against = '',
    ) {
    }
}
