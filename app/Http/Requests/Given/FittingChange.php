<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** How a fitting is made up; what is left out stays. */
final readonly class FittingChange implements Shape
{
    /** Stands for what was left out. */
    private const SAME = -1;

    /**
     * @param  ?int  $clocking  degrees; null: as the connector has it
     * @param  ?list<string>  $parts
     */
    public function __construct(
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
        #[Text(max: 255)] public ?string $exit = null,
        #[Whole(max: 359)] public ?int $clocking = self::SAME,
        #[Items(max: 100)] public ?array $parts = null,
    ) {
    }

    public function saysClocking(): bool
    {
        return $this->clocking !== self::SAME;
    }
}
