<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Lane;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;

/** Wires that stand out of a cable and lie alike: each in its colours, as long as it is bare, tinned or covered. */
final readonly class LanePicture
{
    /** From one wire of a lane to the next. */
    public const WIRE = 1.5;

    /** Wires of a lane that are drawn by themselves; of more, three stand for all. */
    private const WIRES = 8;

    private const INK = '#22302f';

    private StepWords $words;

    /** @param  float  $girth  mm, height of the whole cable in the picture */
    public function __construct(private CableType $cable, private float $girth)
    {
        $this->words = new StepWords($cable);
    }

    public static function wires(Lane $lane): int
    {
        return $lane->count() > self::WIRES ? 3 : $lane->count();
    }

    /** @param  \Closure(float): float  $place */
    public function on(
        Canvas $canvas,
        Workpiece $on,
        Lane $lane,
        float $axis,
        float $y,
        \Closure $place,
        float $right,
    ): void {
        $held = $place($lane->root->inMillimetres());
        $tip = $place($lane->first()->edge->inMillimetres());
        // It leaves the cable in the middle and comes to its own place within a little.
        $bend = min($tip, $held + 2.5);
        $wires = self::wires($lane);
        foreach (array_slice(self::inOrder($lane, $on->end), 0, $wires) as $i => $piece) {
            $at = $y + self::WIRE * ($i - ($wires - 1) / 2);
            $colour = $this->colour($piece);
            $canvas->line($held, $axis + ($at - $axis) * 0.35, $bend, $at, $colour, 0.6);
            match ($piece->lie) {
                Lie::Folded => $this->back($canvas, $held, $tip, $at < $axis ? -1 : 1, $axis, $colour),
                Lie::Wound => $this->wound($canvas, $held - (self::hasBack($on->end) ? 8 : 0), $axis, $colour),
                Lie::Opened => $this->fan($canvas, $bend, $tip, $at, $colour),
                default => $this->wire($canvas, $lane, $piece, $bend, $tip, $at, $place),
            };
        }
        $canvas->text($right + 2, $y + 0.9, $this->words($on, $lane), 2.5);
    }

    /** @return list<Piece> as they lie side by side, where they do */
    private static function inOrder(Lane $lane, CableEnd $end): array
    {
        $at = array_flip($end->order);
        $pieces = $lane->pieces;
        usort(
            $pieces,
            static fn (Piece $a, Piece $b): int => ($at[$a->element] ?? 0) <=> ($at[$b->element] ?? 0),
        );

        return $pieces;
    }

    /** @param  \Closure(float): float  $place */
    private function wire(
        Canvas $canvas,
        Lane $lane,
        Piece $piece,
        float $from,
        float $tip,
        float $y,
        \Closure $place,
    ): void {
        $half = $piece->lie === Lie::Twisted || $piece->kind !== PieceKind::Metal ? 0.5 : 0.35;
        $canvas->box($from, $y - $half, max(0.1, $tip - $from), 2 * $half, '#c98a55', self::INK, 0.12);
        if ($piece->lie === Lie::Twisted) {
            for ($x = $from + 0.8; $x < $tip - 0.4; $x += 1.2) {
                $canvas->line($x, $y + $half, $x + 0.6, $y - $half, self::INK, 0.1);
            }
        }
        if (! $piece->tinned->isZero()) {
            $tinned = max($from, $place($piece->edge->plus($piece->tinned)->inMillimetres()));
            $canvas->box($tinned, $y - $half, max(0.1, $tip - $tinned), 2 * $half, '#b9c0c2', self::INK, 0.12);
        }
        $cover = $lane->cover === null ? null : $place($lane->cover->inMillimetres());
        if ($piece->covered || ($cover !== null && $cover > $from)) {
            $to = $piece->covered ? $tip - 2 : (float) $cover;
            $fill = $piece->covered ? '#3d8b4f' : $this->colour($piece);
            $canvas->box($from, $y - 0.6, max(0.1, $to - $from), 1.2, $fill, self::INK, 0.12);
            $stripe = explode('/', $this->cable->element($piece->element)->colour ?? '')[1] ?? null;
            if ($stripe !== null && ! $piece->covered) {
                $canvas->line($from, $y, $to, $y, Colours::hex($stripe), 0.4);
            }
        }
    }

    private function back(Canvas $canvas, float $held, float $tip, int $side, float $axis, string $colour): void
    {
        $edge = $axis + $side * ($this->girth / 2 + 0.6);
        $far = $held - ($tip - $held);
        $canvas->polygon(
            [[$held, $edge], [$far, $edge], [$far, $edge + $side], [$held, $edge + $side]],
            $colour,
            self::INK,
            0.15,
        );
    }

    private function wound(Canvas $canvas, float $held, float $axis, string $colour): void
    {
        for ($i = 0; $i < 5; $i++) {
            $x = $held + 0.6 + $i * 1.3;
            $canvas->line($x, $axis + $this->girth / 2 + 1, $x + 1, $axis - $this->girth / 2 - 1, $colour, 0.5);
        }
    }

    /** Whether something lies back over the sheath: what is wound is wound round that. */
    private static function hasBack(CableEnd $end): bool
    {
        foreach ($end->pieces as $piece) {
            if ($piece->lie === Lie::Folded) {
                return true;
            }
        }

        return false;
    }

    private function fan(Canvas $canvas, float $from, float $tip, float $y, string $colour): void
    {
        foreach ([-1.6, -0.6, 0.6, 1.6] as $spread) {
            $canvas->line($from, $y, $tip, $y + $spread, $colour, 0.25);
        }
    }

    private function colour(Piece $piece): string
    {
        $element = $this->cable->element($piece->element);

        return match ($piece->kind) {
            PieceKind::Metal => $element?->permittivity === null
                ? Colours::hex(explode('/', $element->colour ?? '')[0] ?: 'clear')
                : '#f7f4ee',
            PieceKind::Foil => '#dfe3e3',
            PieceKind::Separator, PieceKind::Filler, PieceKind::Fibre, PieceKind::Cord => '#d8c9a8',
            default => '#c98a55',
        };
    }

    /** "3 cores, in 2" */
    private function words(Workpiece $on, Lane $lane): string
    {
        $piece = $lane->first();
        $count = $lane->count();
        $name = $count === 1
            ? ($piece->kind === PieceKind::Metal ? $this->words->core($piece) : $piece->kind->word())
            : sprintf('%d × %s', $count, $piece->kind->word());
        $terminals = [];
        foreach ($on->joined as $terminal => $keys) {
            if (array_intersect($keys, $lane->keys()) !== []) {
                $terminals[] = (string) $terminal;
            }
        }

        return $terminals === []
            ? $name
            : $name.', in '.(count($terminals) > 3 ? count($terminals).' places' : implode(', ', $terminals));
    }
}
