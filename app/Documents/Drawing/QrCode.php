<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

use TCPDF2DBarcode;

/** A QR code (ISO/IEC 18004) as boxes, so that it is the same on paper and on screen. */
final class QrCode
{
    /** Modules of white round it. */
    private const QUIET = 2;

    /** @param  float  $size  of a side with its quiet zone, mm */
    public static function on(Canvas $canvas, float $x, float $y, float $size, string $text): void
    {
        $code = (new TCPDF2DBarcode($text, 'QRCODE,M'))->getBarcodeArray();
        if (! is_array($code) || ! is_array($code['bcode'] ?? null)) {
            return;
        }
        $module = $size / (count($code['bcode']) + 2 * self::QUIET);
        $canvas->box($x, $y, $size, $size, '#ffffff', '');
        foreach (array_values($code['bcode']) as $row => $cells) {
            $cells = array_values((array) $cells);
            for ($from = 0; $from < count($cells); $from = $to) {
                $to = $from;
                while ($to < count($cells) && (int) $cells[$to] === 1) {
                    $to++;
                }
                if ($to > $from) {
                    $canvas->box(
                        $x + ($from + self::QUIET) * $module,
                        $y + ($row + self::QUIET) * $module,
                        ($to - $from) * $module,
                        $module,
                        '#000000',
                        '',
                    );
                } else {
                    $to = $from + 1;
                }
            }
        }
    }
}
