<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use Sartal\Core\Plan\Patterns\PatternKind;

/** What somebody answered to a pattern. */
final readonly class PatternAnswered implements Shape
{
    /**
     * @param  array<string, string>  $answers  by what was asked
     */
    public function __construct(public PatternKind $kind, #[Items(60)] public array $answers = [])
    {
    }
}
