<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Whole;

/** Which of one's notices are read. */
final readonly class NoticesRead implements Shape
{
    /**
     * @param  list<int>  $ids
     * @param  int  $upTo  and all up to this one, the last that was shown
     */
    public function __construct(#[Items(max: 200)] #[Whole] public array $ids = [], #[Whole] public int $upTo = 0)
    {
    }
}
