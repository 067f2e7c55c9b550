<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Text;

/** An installation that is begun. */
final readonly class NewInstallation implements Shape
{
    /**
     * @param  string  $name  what it is called
     * @param  string  $sample  of those that ship, the one it begins from
     */
    public function __construct(
        public Begin $begin = Begin::Empty,
        #[Text(max: 120, min: 0)] public string $name = '',
        #[Text(max: 40, min: 0)] public string $sample = '',
    ) {
    }
}
