<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** Which labels, on which sheets. */
final readonly class LabelsAsked implements Shape
{
    /**
     * @param  string  $sheet  JSON: a sheet of one’s own
     * @param  int  $start  labels that are gone already
     * @param  float  $right  mm
     * @param  float  $down  mm
     */
    public function __construct(
        #[Text(max: 255, min: 0)] public string $part = '',
        #[Text(max: 255, min: 0)] public string $loom = '',
        #[Text(max: 40, min: 0)] public string $only = '',
        #[Text(max: 60, min: 0)] public string $geometry = '',
        #[Text(max: 2000, min: 0)] public string $sheet = '',
        #[Whole(max: 500)] public int $start = 0,
        public float $right = 0.0,
        public float $down = 0.0,
        #[Whole(min: 1, max: 10_000)] public int $page = 1,
    ) {
    }
}
