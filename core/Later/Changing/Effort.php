<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/** Some minutes, and what they go into. */
final readonly class Effort
{
    public function __construct(
        public string $label,
        public string $detail,
        public float $minutes,
        public string $source = 'common practice',
    ) {
    }

    public function term(): FigureTerm
    {
        return new FigureTerm($this->label, $this->detail, Figure::amount($this->minutes, 'min', 2), $this->source);
    }
}
