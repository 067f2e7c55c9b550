<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

/**
 * Loss of 100 m of solid four-pair cable of a category, which its formula
 * gives from 1 MHz to its own highest frequency. Source: ANSI/TIA-568-C.2,
 * from memory.
 */
final readonly class CategoryLoss
{
    /** category → k1 √f + k2 f + k3/√f, and up to which MHz */
    private const FORMULAS = [
        '5e' => [1.967, 0.023, 0.05, 100.0],
        '6' => [1.808, 0.017, 0.2, 250.0],
        '6A' => [1.82, 0.0091, 0.25, 500.0],
        // Better cable is planned as 6A: no published formula is at hand.
        '7A' => [1.82, 0.0091, 0.25, 500.0],
    ];

    private function __construct(
        public string $category,
        private float $root,
        private float $linear,
        private float $inverse,
        public float $highest,
    ) {
    }

    public static function category(string $category): ?self
    {
        $formula = self::FORMULAS[$category] ?? null;

        return $formula === null ? null : new self($category, ...$formula);
    }

    /** @return ?float dB for 100 m at f MHz; null outside its range */
    public function per100Metres(float $megahertz): ?float
    {
        if ($megahertz < 1.0 || $megahertz > $this->highest) {
            return null;
        }
        $root = sqrt($megahertz);

        return $this->root * $root + $this->linear * $megahertz + $this->inverse / $root;
    }
}
