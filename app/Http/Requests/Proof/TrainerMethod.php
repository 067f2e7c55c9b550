<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Shape;
use Sartal\Core\Given\Installation\Method;

/** What the trainee reads next. */
final readonly class TrainerMethod implements Shape
{
    public function __construct(public Method $method)
    {
    }
}
