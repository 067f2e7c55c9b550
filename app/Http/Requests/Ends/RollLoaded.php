<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Shape;
use App\Contract\Text;

/** What is on the roll. */
final readonly class RollLoaded implements Shape
{
    public function __construct(
        #[Text(max: 255, remedy: 'Choose what is on the roll: a label of the catalogue.')] public string $part,
    ) {
    }
}
