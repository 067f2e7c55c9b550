<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Text;

/** A loom, an assembly or all work of a skill, given to somebody. */
final readonly class Assignment implements Shape
{
    /** @param  bool  $only  to nobody else: whoever was given it before no longer is */
    public function __construct(
        #[Text(max: 40)] public string $person,
        public AssignmentKind $kind,
        #[Text(max: 255)] public string $key,
        public bool $only = false,
    ) {
    }
}
