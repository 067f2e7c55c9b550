<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

use App\Contract\Shape;
use App\Contract\Text;

/** Which parts. */
final readonly class PartsAsked implements Shape
{
    /**
     * @param  bool  $left  only what is not made yet
     * @param  bool  $brief  long sums are left out: each is asked for by itself
     */
    public function __construct(
        #[Text(max: 400, min: 0)] public string $scope = '',
        public bool $left = false,
        public bool $brief = false,
    ) {
    }
}
