<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

use App\Contract\Shape;
use App\Contract\Text;
use Sartal\Core\Work\Parts\Sort;

/** One line of a parts list. */
final readonly class PartNeeded implements Shape
{
    /**
     * @param  bool  $left  only what is not made yet
     */
    public function __construct(
        public Sort $sort,
        #[Text(max: 400)] public string $id,
        #[Text(max: 400, min: 0)] public string $scope = '',
        public bool $left = false,
    ) {
    }
}
