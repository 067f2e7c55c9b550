<?php

declare(strict_types=1);

namespace App\Documents;

use App\Documents\Drawing\Canvas;
use Sartal\Core\Ends\Labelling\PrintedLabel;
use Sartal\Core\Ends\Labelling\SheetGeometry;

/** Labels on sheets, and the test page that shows how far a printer is off. */
final class LabelSheets
{
    /**
     * @param  list<PrintedLabel>  $labels
     * @param  int  $start  fields of the first sheet that are used up
     * @param  array{float, float}  $shift  mm right and down, as the test page has shown
     */
    public static function draw(
        Canvas $canvas,
        array $labels,
        SheetGeometry $geometry,
        string $address,
        int $start = 0,
        array $shift = [0.0, 0.0],
    ): void {
        $sheet = 0;
        foreach ($labels as $number => $label) {
            [$on, $x, $y] = $geometry->place($number, $start);
            if ($on > $sheet) {
                $canvas->newPage();
                $sheet = $on;
            }
            LabelDrawing::draw($canvas, $label, $x + $shift[0], $y + $shift[1], $address);
        }
    }

    /**
     * Every field framed, with a cross and its number: printed on plain paper
     * and held against a sheet of labels, it shows what to shift by.
     *
     * @param  array{float, float}  $shift
     */
    public static function test(Canvas $canvas, SheetGeometry $geometry, array $shift = [0.0, 0.0]): void
    {
        for ($number = 0; $number < $geometry->perSheet(); $number++) {
            [, $x, $y] = $geometry->place($number);
            $x += $shift[0];
            $y += $shift[1];
            $width = $geometry->width->inMillimetres();
            $height = $geometry->height->inMillimetres();
            $canvas->box($x, $y, $width, $height, '', '#000000', 0.1);
            $canvas->line($x + $width / 2 - 2, $y + $height / 2, $x + $width / 2 + 2, $y + $height / 2, '#000000', 0.1);
            $canvas->line($x + $width / 2, $y + $height / 2 - 2, $x + $width / 2, $y + $height / 2 + 2, '#000000', 0.1);
            $canvas->text($x + 1, $y + 2.4, (string) ($number + 1), 2.2, fill: '#000000');
        }
    }
}
