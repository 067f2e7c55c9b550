<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

use TCPDF;

/** The same drawing as a PDF; fonts are embedded, so that every colour code and fraction prints. */
final class PdfCanvas implements Canvas
{
    private const POINTS_PER_MM = 72 / 25.4;

    private readonly TCPDF $pdf;

    public function __construct(string $title, float $width, float $height)
    {
        $this->pdf = new TCPDF($width > $height ? 'L' : 'P', 'mm', [$width, $height]);
        $this->pdf->setPrintHeader(false);
        $this->pdf->setPrintFooter(false);
        $this->pdf->setAutoPageBreak(false);
        $this->pdf->setMargins(0, 0, 0);
        $this->pdf->setCellPaddings(0, 0, 0, 0);
        $this->pdf->setTitle($title);
        $this->pdf->setCreator('Sartal');
        $this->pdf->AddPage();
    }

    /** A photo as large as it goes into a space, upper left in it. */
    public function photo(string $path, float $x, float $y, float $w, float $h): void
    {
        $this->pdf->Image($path, $x, $y, $w, $h, fitbox: 'LT');
    }

    public function newPage(): void
    {
        $this->pdf->AddPage();
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
        $this->pdf->Line($x1, $y1, $x2, $y2, [
            'width' => $width,
            'color' => self::rgb($stroke),
            'dash' => $dashed ? '1,0.8' : 0,
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
        $this->pdf->Rect(
            $x,
            $y,
            $w,
            $h,
            self::style($fill, $stroke),
            ['all' => self::pen($stroke, $width)],
            self::rgb($fill),
        );
    }

    public function circle(
        float $x,
        float $y,
        float $r,
        string $fill = '',
        string $stroke = '#22302f',
        float $width = 0.2,
    ): void {
        $this->pdf->Circle(
            $x,
            $y,
            $r,
            0,
            360,
            self::style($fill, $stroke),
            self::pen($stroke, $width),
            self::rgb($fill),
        );
    }

    public function polygon(array $points, string $fill = '', string $stroke = '#22302f', float $width = 0.2): void
    {
        $this->pdf->Polygon(
            array_merge(...$points),
            self::style($fill, $stroke),
            ['all' => self::pen($stroke, $width)],
            self::rgb($fill),
        );
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
        $this->pdf->setFont(
            $mono ? 'dejavusansmono' : 'dejavusans',
            $bold ? 'B' : '',
            $size * self::POINTS_PER_MM * 0.9,
        );
        [$r, $g, $b] = self::rgb($fill);
        $this->pdf->setTextColor($r, $g, $b);
        $left = match ($anchor) {
            'middle' => $x - $this->pdf->GetStringWidth($text) / 2,
            'end' => $x - $this->pdf->GetStringWidth($text),
            default => $x,
        };
        $this->pdf->Text($left, $y, $text, 0, false, true, 0, 0, '', false, '', 0, false, 'L', 'M');
    }

    /** A line of the reader's own table of contents, to this page. */
    public function bookmark(string $title, int $level = 0): void
    {
        $this->pdf->Bookmark($title, $level, 0);
    }

    /** Draws on an earlier page, and comes back. */
    public function onPage(int $page, callable $draw): void
    {
        $now = $this->pdf->getPage();
        $this->pdf->setPage($page);
        $draw($this);
        $this->pdf->setPage($now);
    }

    public function bytes(): string
    {
        return $this->pdf->Output('', 'S');
    }

    /** @return array{int, int, int} */
    private static function rgb(string $hex): array
    {
        return $hex === ''
            ? [0, 0, 0]
            : [(int) hexdec(substr($hex, 1, 2)), (int) hexdec(substr($hex, 3, 2)), (int) hexdec(substr($hex, 5, 2))];
    }

    private static function style(string $fill, string $stroke): string
    {
        return ($stroke === '' ? '' : 'D').($fill === '' ? '' : 'F');
    }

    /** @return array{width: float, color: array{int, int, int}, dash: int} */
    private static function pen(string $stroke, float $width): array
    {
        return ['width' => $width, 'color' => self::rgb($stroke), 'dash' => 0];
    }
}
