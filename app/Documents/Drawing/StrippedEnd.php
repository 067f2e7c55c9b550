<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Layer;
use Sartal\Core\Given\Catalogue\Recipe;
use Sartal\Core\Given\Measure\Units;

/** The prepared end to scale, cut end at the right: each layer back to its mark. */
final readonly class StrippedEnd
{
    /** From the outside in: share of the cable's height, and how the layer is drawn. */
    private const LAYERS = [
        'sheath' => [1.0, '#5b6a69'],
        'outer-screen' => [0.84, '#b9a58a'],
        'inner-sheath' => [0.74, '#8b9a99'],
        'screen' => [0.64, '#c98a55'],
        'separator' => [0.54, '#e9e2d6'],
        'conductive-layer' => [0.5, '#3a4443'],
        'dielectric' => [0.46, '#f7f4ee'],
        'insulation' => [0.4, '#b8302a'],
        'conductor' => [0.34, '#2f62a8'],
    ];

    public function __construct(private Recipe $recipe, private CableType $cable)
    {
    }

    /** Kept free at the right for the marks' words. */
    private const WORDS = 37;

    /** Height that the drawing takes, marks included. */
    public function height(): float
    {
        return 16 + 4.2 * count($this->marks());
    }

    public function on(Canvas $canvas, float $x, float $y, float $width, Units $units): void
    {
        $marks = $this->marks();
        if ($marks === []) {
            return;
        }
        $longest = max(array_map(static fn (array $mark): float => $mark[1], $marks));
        // A stump of whole sheath at the left, a fifth of the length, so that the mark is seen against something.
        $scale = ($width - self::WORDS) / ($longest * 1.25);
        $end = $x + $width - self::WORDS;
        $axis = $y + 7;
        $this->layers($canvas, $axis, $end, $x, $scale, $longest, $marks);
        foreach ($marks as $i => [$layer, $at]) {
            $left = $end - $at * $scale;
            $line = $y + 17 + $i * 4.2;
            $canvas->line($left, $axis, $left, $line, '#b4622d', 0.2, true);
            $canvas->line($left, $line, $end, $line, '#b4622d', 0.25);
            $canvas->line($end, $line - 1, $end, $line + 1, '#b4622d', 0.25);
            $text =
                LengthText::of(
                    $this->recipe->mark($layer) ?? throw new \LogicException('A mark without a length.'),
                    $units,
                ).
                ' '.
                str_replace('-', ' ', $layer->value);
            $canvas->text($end + 2, $line + 1, $text, 2.9, 'start', true);
        }
        $canvas->line($end, $axis - 6, $end, $y + 17 + (count($marks) - 1) * 4.2, '#22302f', 0.2, true);
        $canvas->text($end, $y, 'cut end', 2.5, 'end', false, '#4a6076');
    }

    /** @param  list<array{Layer, float}>  $marks */
    private function layers(
        Canvas $canvas,
        float $axis,
        float $end,
        float $from,
        float $scale,
        float $longest,
        array $marks,
    ): void {
        $inner = array_reverse($marks);
        $core = $this->cable->family === 'category' ? '#2f62a8' : '#c98a55';
        // What nobody marks reaches the cut end: the conductors themselves.
        $canvas->box($from, $axis - 0.9, $end - $from, 1.8, $core, '#22302f', 0.15);
        foreach ($inner as [$layer, $at]) {
            [$share, $fill] = self::LAYERS[$layer->value];
            if ($layer === Layer::Conductor || $layer === Layer::Separator) {
                continue;
            }
            $height = 11 * $share;
            $to = $end - $at * $scale;
            if ($layer === Layer::Screen && $at >= $longest - 0.01) {
                // Not cut back but gathered: a tail beside the cores.
                $canvas->polygon(
                    [
                        [$to, $axis + 2],
                        [$to, $axis + 3.4],
                        [$to + ($end - $to) * 0.7, $axis + 5.6],
                        [$to + ($end - $to) * 0.7, $axis + 4.9],
                    ],
                    $fill,
                    '#22302f',
                    0.15,
                );

                continue;
            }
            $canvas->box(
                $from,
                $axis - $height / 2,
                max(0.1, $to - $from),
                $height,
                $layer === Layer::Sheath ? Colours::hex($this->cable->sheath) : $fill,
                '#22302f',
                0.2,
            );
        }
    }

    /** @return list<array{Layer, float}> the outermost first */
    private function marks(): array
    {
        $marks = [];
        foreach ($this->recipe->steps as $step) {
            $marks[$step->layer->value] ??= [$step->layer, $step->at->inMillimetres()];
        }
        $order = array_flip(array_keys(self::LAYERS));
        uksort($marks, static fn (string $a, string $b): int => $order[$a] <=> $order[$b]);

        return array_values($marks);
    }
}
