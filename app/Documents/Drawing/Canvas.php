<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

/** Something to draw on, in millimetres from the upper left corner of a page. Colours as "#rrggbb"; "" for none. */
interface Canvas
{
    public function newPage(): void;

    public function line(
        float $x1,
        float $y1,
        float $x2,
        float $y2,
        string $stroke = '#22302f',
        float $width = 0.2,
        bool $dashed = false,
    ): void;

    public function box(
        float $x,
        float $y,
        float $w,
        float $h,
        string $fill = '',
        string $stroke = '#22302f',
        float $width = 0.2,
    ): void;

    public function circle(
        float $x,
        float $y,
        float $r,
        string $fill = '',
        string $stroke = '#22302f',
        float $width = 0.2,
    ): void;

    /** @param  list<array{float, float}>  $points */
    public function polygon(array $points, string $fill = '', string $stroke = '#22302f', float $width = 0.2): void;

    /**
     * Text on its baseline.
     *
     * @param  float  $size  height of the letters' body, mm
     * @param  string  $anchor  "start", "middle" or "end"
     */
    public function text(
        float $x,
        float $y,
        string $text,
        float $size = 3.2,
        string $anchor = 'start',
        bool $bold = false,
        string $fill = '#22302f',
        bool $mono = false,
    ): void;
}
