<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

/** Pages as SVG documents, in millimetres. */
final class SvgCanvas implements Canvas
{
    /** @var list<string> pages that are done */
    private array $done = [];

    private string $page = '';

    public function __construct(private readonly float $width, private readonly float $height)
    {
    }

    public function newPage(): void
    {
        $this->done[] = $this->page;
        $this->page = '';
    }

    public function line(
        float $x1,
        float $y1,
        float $x2,
        float $y2,
        string $stroke = '#22302f',
        float $width = 0.2,
        bool $dashed = false,
    ): void {
        $this->put('line', [
            'x1' => $x1,
            'y1' => $y1,
            'x2' => $x2,
            'y2' => $y2,
            'stroke' => $stroke,
            'stroke-width' => $width,
            ...$dashed ? ['stroke-dasharray' => '1 0.8'] : [],
        ]);
    }

    public function box(
        float $x,
        float $y,
        float $w,
        float $h,
        string $fill = '',
        string $stroke = '#22302f',
        float $width = 0.2,
    ): void {
        $this->put('rect', [
            'x' => $x,
            'y' => $y,
            'width' => $w,
            'height' => $h,
            ...self::painted($fill, $stroke, $width),
        ]);
    }

    public function circle(
        float $x,
        float $y,
        float $r,
        string $fill = '',
        string $stroke = '#22302f',
        float $width = 0.2,
    ): void {
        $this->put('circle', ['cx' => $x, 'cy' => $y, 'r' => $r, ...self::painted($fill, $stroke, $width)]);
    }

    public function polygon(array $points, string $fill = '', string $stroke = '#22302f', float $width = 0.2): void
    {
        $this->put('polygon', [
            'points' => implode(
                ' ',
                array_map(
                    static fn (array $point): string => self::number($point[0]).','.self::number($point[1]),
                    $points,
                ),
            ),
            ...self::painted($fill, $stroke, $width),
        ]);
    }

    public function text(
        float $x,
        float $y,
        string $text,
        float $size = 3.2,
        string $anchor = 'start',
        bool $bold = false,
        string $fill = '#22302f',
        bool $mono = false,
    ): void {
        $family = $mono
            ? 'Atkinson Hyperlegible Mono, DejaVu Sans Mono, monospace'
            : 'Atkinson Hyperlegible Next, DejaVu Sans, sans-serif';
        $this->put(
            'text',
            [
                'x' => $x,
                'y' => $y,
                'font-size' => $size,
                'font-family' => $family,
                'text-anchor' => $anchor,
                'fill' => $fill,
                ...$bold ? ['font-weight' => 'bold'] : [],
            ],
            $text,
        );
    }

    public function pages(): int
    {
        return count($this->done) + 1;
    }

    /** @param  int  $number  from 1 */
    public function page(int $number): string
    {
        $size = [
            'width' => self::number($this->width).'mm',
            'height' => self::number($this->height).'mm',
            'viewBox' => '0 0 '.self::number($this->width).' '.self::number($this->height),
        ];

        return '<?xml version="1.0" encoding="UTF-8"?>'.
            "\n".
            '<svg xmlns="http://www.w3.org/2000/svg"'.
            self::attributes($size).
            '>'.
            "\n".
            '<rect width="100%" height="100%" fill="#ffffff"/>'.
            "\n".
            ($this->done[$number - 1] ?? $this->page).
            '</svg>'.
            "\n";
    }

    /** @param  array<int|string, float|string>  $attributes */
    private function put(string $tag, array $attributes, ?string $text = null): void
    {
        $this->page .=
            '<'.
            $tag.
            self::attributes($attributes).
            ($text === null ? '/>' : '>'.self::escaped($text).'</'.$tag.'>').
            "\n";
    }

    /** @return array<int|string, float|string> */
    private static function painted(string $fill, string $stroke, float $width): array
    {
        return [
            'fill' => $fill === '' ? 'none' : $fill,
            'stroke' => $stroke === '' ? 'none' : $stroke,
            'stroke-width' => $width,
        ];
    }

    /** @param  array<int|string, float|string>  $attributes */
    private static function attributes(array $attributes): string
    {
        $text = '';
        foreach ($attributes as $name => $value) {
            $text .= ' '.$name.'="'.(is_float($value) ? self::number($value) : self::escaped($value)).'"';
        }

        return $text;
    }

    private static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 3, '.', ''), '0'), '.');
    }

    private static function escaped(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE, 'UTF-8');
    }
}
