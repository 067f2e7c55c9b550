<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Shape;
use App\Contract\Whole;
use Sartal\Core\Given\Measure\Units;

/** How an end is drawn. */
final readonly class SheetAsked implements Shape
{
    /**
     * @param  int  $turn  degrees
     * @param  string  $leg  by id, where it is not the first of that connector
     * @param  string  $step  of its procedure, after which the end is drawn
     * @param  string  $edition  of that procedure, so that a picture of another is not taken for it
     */
    public function __construct(
        public Facing $view = Facing::Wiring,
        #[Whole(min: -360, max: 360)] public int $turn = 0,
        public Units $units = Units::Metric,
        #[Whole(max: 200)] public int $fitting = 0,
        #[Whole(min: 1, max: 1000)] public int $page = 1,
        public string $leg = '',
        public string $step = '',
        public string $edition = '',
    ) {
    }
}
