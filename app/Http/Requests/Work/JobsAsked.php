<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

use App\Contract\Shape;
use App\Contract\Text;

/** All jobs, or those that may be others since. */
final readonly class JobsAsked implements Shape
{
    /**
     * @param  string  $since  the cursor that is known
     * @param  bool  $roughly  as they stood a while ago: whoever asks goes on from the cursor that comes with them
     */
    public function __construct(#[Text(max: 40, min: 0)] public string $since = '', public bool $roughly = false)
    {
    }
}
