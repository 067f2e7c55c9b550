<?php

declare(strict_types=1);

namespace App\Documents;

use App\Documents\Drawing\Canvas;
use App\Documents\Drawing\Colours;
use App\Documents\Drawing\QrCode;
use Sartal\Core\Ends\Labelling\PrintedLabel;

/** One label: its code large, where the other end is, its block's colour by name, and a code that opens its end. */
final class LabelDrawing
{
    /** mm round what is printed. */
    private const MARGIN = 0.8;

    /** Of a monospaced letter to its body. */
    private const WIDE = 0.6;

    /** Characters that go on one line. */
    private const LONG = 12;

    /** @param  string  $address  that codes begin with */
    public static function draw(Canvas $canvas, PrintedLabel $label, float $x, float $y, string $address): void
    {
        $width = $label->face->width->inMillimetres();
        $height = $label->face->printed->inMillimetres();
        $code = $label->path === '' || $height < 6 ? 0.0 : min($height, 12.0, $width * 0.48);
        if ($code > 0) {
            QrCode::on(
                $canvas,
                $x + $width - $code,
                $y + ($height - $code) / 2,
                $code,
                rtrim($address, '/').'/'.$label->path,
            );
        }
        $room = $width - $code - 2 * self::MARGIN - ($code > 0 ? 0.4 : 0);
        $left = $x + self::MARGIN;
        if ($label->colour !== '') {
            $canvas->box(
                $left,
                $y + self::MARGIN,
                1.6,
                $height - 2 * self::MARGIN,
                Colours::hex($label->colour),
                '#22302f',
                0.1,
            );
            $left += 2.2;
            $room -= 2.2;
        }
        self::words($canvas, $label, $left, $y, $room, $height);
    }

    /**
     * A long line in two, so that it can be read.
     *
     * @return list<string>
     */
    private static function broken(string $line): array
    {
        return mb_strlen($line) <= self::LONG
            ? [$line]
            : explode("\n", wordwrap($line, max(self::LONG, (int) ceil(mb_strlen($line) / 2) + 1), "\n"));
    }

    private static function words(
        Canvas $canvas,
        PrintedLabel $label,
        float $x,
        float $y,
        float $room,
        float $height,
    ): void {
        $text = $label->marked->text ?? $label->code;
        $lines = array_values(
            array_filter(
                [$label->marked->word ?? '', ...self::broken($label->line), $label->colour],
                static fn (string $line): bool => $line !== '',
            ),
        );
        $most = $lines === [] ? $height * 0.7 : $height * 0.45;
        $size = min($most, $room / (self::WIDE * max(1, mb_strlen($text))));
        $base =
            $y +
            self::MARGIN +
            $size * ($lines === [] ? 0.5 + ($height - 2 * self::MARGIN - $size) / (2 * max(0.1, $size)) : 0.55);
        $canvas->text($x, $base, $text, $size, bold: true, mono: true, fill: '#000000');
        if ($label->marked?->underlined === true) {
            $canvas->line(
                $x,
                $base + $size * 0.5,
                $x + self::WIDE * $size * mb_strlen($text),
                $base + $size * 0.5,
                '#000000',
                0.35,
            );
        }
        $at = $base + $size * 0.5 + 0.6;
        foreach ($lines as $n => $line) {
            $small = min(
                2.6,
                ($y + $height - self::MARGIN - $at) / (count($lines) - $n),
                $room / (0.58 * max(1, mb_strlen($line))),
            );
            if ($small < 0.9) {
                break;
            }
            $at += $small;
            $canvas->text($x, $at - $small * 0.4, $line, $small, fill: '#000000');
        }
    }
}
