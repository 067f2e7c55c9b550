<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;
use Sartal\Core\Given\Installation\Side;

/** A conductor of one end of a run, by its path in the cable. */
final readonly class OneCore implements Shape
{
    public function __construct(
        #[Text(max: 255)] public string $run,
        public Side $side,
        #[Text(max: 255)] public string $conductor,
    ) {
    }
}
