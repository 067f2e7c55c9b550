<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

use App\Contract\Shape;
use App\Contract\Text;

/** The runs behind a figure that follows from the record alone, and not from how runs stand. */
final readonly class RunsBehind implements Shape
{
    /**
     * @param  string  $stage  of the work, or of testing
     * @param  string  $person  a person’s key
     */
    public function __construct(
        public BehindWhat $of,
        #[Text(max: 20)] public string $stage,
        #[Text(max: 40, min: 0)] public string $person = '',
    ) {
    }
}
