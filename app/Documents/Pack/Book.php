<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use App\Documents\Drawing\PdfCanvas;

/**
 * A document of many pages on A4: chapters, lines and tables that go on overleaf, with what it is at the head of each.
 */
final class Book
{
    public const WIDTH = 210.0;

    public const HEIGHT = 297.0;

    public const LEFT = 14.0;

    public const RIGHT = 196.0;

    private const TOP = 30.0;

    private const FOOT = 284.0;

    private float $y = self::TOP;

    private int $page = 1;

    /** @var list<array{string, int}> chapter, page */
    private array $chapters = [];

    private string $chapter = '';

    /** @var list<array{float, string}> */
    private array $columns = [];

    public function __construct(public readonly PdfCanvas $canvas, private readonly string $title)
    {
    }

    public function chapter(string $title): void
    {
        $this->columns = [];
        $this->chapter = $title;
        $this->turn();
        $this->canvas->bookmark($title);
        $this->chapters[] = [$title, $this->page];
        $this->canvas->text(self::LEFT, $this->y, $title, 6.5, bold: true);
        $this->y += 10;
    }

    public function heading(string $words, string $aside = ''): void
    {
        $this->columns = [];
        $this->room(16);
        $this->y += 3;
        $this->canvas->text(self::LEFT, $this->y, self::cut($words, 84), 4.2, bold: true);
        if ($aside !== '') {
            $this->canvas->text(self::RIGHT, $this->y, self::cut($aside, 60), 3, 'end', fill: '#4a6076');
        }
        $this->y += 6;
    }

    public function line(
        string $words,
        float $indent = 0.0,
        bool $bold = false,
        string $fill = '#22302f',
        bool $mono = false,
    ): void {
        foreach (self::wrapped($words, (int) ((self::RIGHT - self::LEFT - $indent) / 1.42)) as $part) {
            $this->room(5);
            $this->canvas->text(self::LEFT + $indent, $this->y, $part, 3, bold: $bold, fill: $fill, mono: $mono);
            $this->y += 4.4;
        }
    }

    public function space(float $by = 3.0): void
    {
        $this->y += $by;
    }

    /** @param  list<array{float, string}>  $columns  mm from the left edge, heading */
    public function table(array $columns): void
    {
        $this->columns = $columns;
        $this->room(12);
        $this->head();
    }

    /** @param  list<string>  $cells  one for each column */
    public function row(array $cells, string $fill = '#22302f'): void
    {
        $this->room(4.6);
        foreach ($cells as $i => $cell) {
            if ($cell === '') {
                continue;
            }
            $width = ($this->columns[$i + 1][0] ?? self::RIGHT - self::LEFT) - $this->columns[$i][0];
            $this->canvas->text(
                self::LEFT + $this->columns[$i][0],
                $this->y,
                self::cut($cell, (int) ($width / 1.5)),
                2.7,
                fill: $fill,
            );
        }
        $this->y += 4.2;
    }

    /** Under a row, across all columns. */
    public function aside(string $words, float $indent, string $fill = '#4a6076'): void
    {
        $this->room(4.6);
        $this->canvas->text(
            self::LEFT + $indent,
            $this->y,
            self::cut($words, (int) ((self::RIGHT - self::LEFT - $indent) / 1.4)),
            2.5,
            fill: $fill,
        );
        $this->y += 4.0;
    }

    /** Room for a drawing of so many mm. @return float where it begins */
    public function drawing(float $height): float
    {
        $this->columns = [];
        $this->room($height);
        $at = $this->y;
        $this->y += $height;

        return $at;
    }

    public function pages(): int
    {
        return $this->page;
    }

    /** @return list<array{string, int}> chapter, page */
    public function chapters(): array
    {
        return $this->chapters;
    }

    private function head(): void
    {
        foreach ($this->columns as [$x, $words]) {
            $this->canvas->text(self::LEFT + $x, $this->y, $words, 2.6, bold: true, fill: '#4a6076');
        }
        $this->canvas->line(self::LEFT, $this->y + 2, self::RIGHT, $this->y + 2, '#d8d2c6');
        $this->y += 5;
    }

    private function room(float $height): void
    {
        if ($this->y + $height > self::FOOT) {
            $this->turn();
            if ($this->columns !== []) {
                $this->head();
            }
        }
    }

    private function turn(): void
    {
        $this->canvas->newPage();
        $this->page++;
        $this->canvas->text(self::LEFT, 16, self::cut($this->title, 60), 3, fill: '#4a6076');
        $this->canvas->text(self::RIGHT, 16, $this->chapter.' · page '.$this->page, 3, 'end', fill: '#4a6076');
        $this->canvas->line(self::LEFT, 19, self::RIGHT, 19, '#d8d2c6');
        $this->y = self::TOP;
    }

    public static function cut(string $text, int $characters): string
    {
        return mb_strimwidth($text, 0, max(2, $characters), '…');
    }

    /** @return list<string> */
    private static function wrapped(string $text, int $characters): array
    {
        $lines = [];
        $line = '';
        foreach (explode(' ', $text) as $word) {
            if ($line !== '' && mb_strlen($line) + 1 + mb_strlen($word) > $characters) {
                $lines[] = $line;
                $line = $word;
            } else {
                $line = $line === '' ? $word : $line.' '.$word;
            }
        }
        $lines[] = $line;

        return $lines;
    }
}
