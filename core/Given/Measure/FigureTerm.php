<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * One line of how a figure came about: what it is, how it was reckoned, how much with its unit, and whose rule it is.
 */
final readonly class FigureTerm
{
    public function __construct(
        public string $label,
        public string $detail,
        public string $amount,
        public string $source,
    ) {
    }
}
