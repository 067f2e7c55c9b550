<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** Which labels one looks at. */
final readonly class LabelsShown implements Shape
{
    /**
     * @param  string  $part  what they are printed on; "" any
     * @param  bool  $usual  what most is left to be printed on, in place of the part
     * @param  string  $only  "left" what is to be printed, "changed" what says something else since; else all
     * @param  int  $from  how many of them come before
     */
    public function __construct(
        #[Text(max: 255, min: 0)] public string $part = '',
        public bool $usual = false,
        #[Text(max: 255, min: 0)] public string $loom = '',
        #[Text(max: 40, min: 0)] public string $only = '',
        #[Whole(max: 1_000_000)] public int $from = 0,
    ) {
    }
}
