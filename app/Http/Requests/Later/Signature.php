<?php

declare(strict_types=1);

namespace App\Http\Requests\Later;

use App\Contract\Shape;
use App\Models\Role;

/** A name under a pack. */
final readonly class Signature implements Shape
{
    public function __construct(public Role $role)
    {
    }
}
