<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

use App\Contract\Shape;

/** Where the crew stands. */
final readonly class BoardAsked implements Shape
{
    /** @param  bool  $roughly  as it stood some seconds ago, where somebody asked then */
    public function __construct(public bool $roughly = false)
    {
    }
}
