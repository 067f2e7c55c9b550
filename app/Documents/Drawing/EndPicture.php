<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Lane;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Catalogue\Procedures\Measure;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;

/**
 * An end after a step, to scale along the cable: what is left of each layer and how it lies, parts on the cable, what
 * is joined; dashed, what the step took away; and its length, from where it is measured. The cut end is at the right.
 */
final readonly class EndPicture
{
    /** Kept free at the right, for terminals and what lanes are. */
    private const WORDS = 34.0;

    /** Height of the whole cable in the picture, mm. It is not to scale: lengths are. */
    private const GIRTH = 12.0;

    /** From one lane to the next. */
    private const LANE = 4.4;

    /** mm that a letter of a part's name takes. */
    private const LETTER = 1.15;

    /** Lanes that are drawn by themselves; the others are counted. */
    private const LANES = 6;

    /** Scales that a rule can be laid to: mm of paper for one of cable. */
    private const SCALES = [4.0, 3.0, 2.0, 1.0, 0.5, 0.25, 0.2, 0.1];

    /** What is drawn of the cable behind everything that was done to it, of all of it. */
    private const STUMP = 0.3;

    private const INK = '#22302f';

    private const MARK = '#b4622d';

    /** From the outside in: share of the girth, and how the layer is drawn. */
    private const LAYERS = [
        PieceKind::Braid->value => [0.8, '#c98a55'],
        PieceKind::Lapped->value => [0.8, '#c98a55'],
        PieceKind::Foil->value => [0.7, '#dfe3e3'],
        PieceKind::InnerSheath->value => [0.6, '#8b9a99'],
        PieceKind::Wrap->value => [0.54, '#f3efe6'],
    ];

    private LanePicture $wires;

    private LegsPicture $legs;

    public function __construct(private CableType $cable)
    {
        $this->wires = new LanePicture($cable, self::GIRTH);
        $this->legs = new LegsPicture($cable, self::GIRTH);
    }

    public function height(Workpiece $on): float
    {
        return max(self::GIRTH, array_sum($this->heights($on->end))) + 18;
    }

    /** @param  float  $y  of the upper edge */
    public function on(Canvas $canvas, StepMade $step, float $x, float $y, float $width): void
    {
        $on = $step->after;
        $end = $on->end;
        $reach = $this->reach($step);
        $scale = self::scale($reach * (1 + self::STUMP), $width - self::WORDS);
        $right = $x + $width - self::WORDS;
        $axis = $y + 8 + ($this->height($on) - 18) / 2;
        // The end as it came is at the right, where there is room for it; else the end as it is now.
        $from = $this->datum($step);
        $place = static fn (float $millimetres): float => $right - ($millimetres - $from) * $scale;
        $this->gone($canvas, $step, $axis, $place);
        $this->layers($canvas, $end, $x, $axis, $place);
        $this->legs->on($canvas, $end, $axis, $place);
        $this->stand($canvas, $on, $axis, $place, $right);
        $this->parts($canvas, $on, $x, $axis, $place);
        $this->length($canvas, $step, $y + $this->height($on) - 5, $axis, $place);
        $canvas->text($x, $y + 2.6, self::ratio($scale), 2.3, 'start', false, '#4a6076');
    }

    /** @return list<float> of the lanes that are drawn */
    private function heights(CableEnd $end): array
    {
        return array_map(
            static fn (Lane $lane): float => max(self::LANE, LanePicture::WIRE * LanePicture::wires($lane) + 1.4),
            array_slice($this->lanes($end), 0, self::LANES),
        );
    }

    /** @return list<Lane> */
    private function lanes(CableEnd $end): array
    {
        return array_values(array_filter(
            Lane::of($end),
            static fn (Lane $lane): bool => $lane->standsOut() && ! self::isRound($lane->first()),
        ));
    }

    /** mm of cable from its end to where the last of it was opened, and no less than an inch. */
    private function reach(StepMade $step): float
    {
        $far = 25.0;
        foreach ($step->after->end->pieces as $piece) {
            $far = max($far, $piece->edge->inMillimetres() - $this->datum($step));
        }
        foreach ($this->lanes($step->after->end) as $lane) {
            $far = max($far, $lane->root->inMillimetres() - $this->datum($step));
        }
        $mark = $step->doing->place($step->before, $step->doing->pieces[0] ?? null);

        return max($far, $mark === null ? 0.0 : $mark->inMillimetres() - $this->datum($step));
    }

    /** mm from the end as it came, of what stands farthest out before the step. */
    private function datum(StepMade $step): float
    {
        $out = null;
        foreach ($step->before->end->pieces as $piece) {
            $edge = $piece->edge->inMillimetres();
            $out = $out === null || $edge < $out ? $edge : $out;
        }

        return $out ?? 0.0;
    }

    private static function scale(float $millimetres, float $room): float
    {
        foreach (self::SCALES as $scale) {
            if ($millimetres * $scale <= $room) {
                return $scale;
            }
        }

        return $room / $millimetres;
    }

    private static function ratio(float $scale): string
    {
        return $scale >= 1 ? sprintf('%g : 1', $scale) : sprintf('1 : %g', round(1 / $scale, 1));
    }

    /**
     * What the step took away, dashed.
     *
     * @param  \Closure(float): float  $place
     */
    private function gone(Canvas $canvas, StepMade $step, float $axis, \Closure $place): void
    {
        foreach ($step->before->end->pieces as $key => $was) {
            $is = $step->after->end->pieces[$key] ?? $was;
            if ($is->edge->compare($was->edge) <= 0) {
                continue;
            }
            $isRound = self::isRound($was) || $was->kind === PieceKind::Sheath;
            [$off, $half] = isset(LegsPicture::in($step->before->end)[$key])
                ? $this->legs->place($step->before->end, (string) $key)
                : [0.0, $isRound ? $this->half($was->kind) : 1.2];
            $middle = $axis + $off;
            [$left, $right] = [$place($is->edge->inMillimetres()), $place($was->edge->inMillimetres())];
            foreach ([-$half, $half] as $edge) {
                $canvas->line($left, $middle + $edge, $right, $middle + $edge, self::MARK, 0.2, true);
            }
            $canvas->line($right, $middle - $half, $right, $middle + $half, self::MARK, 0.2, true);
            if ($was->kind->isSheath() || $step->before->end->cut->compare($step->after->end->cut) < 0) {
                return;
            }
        }
    }

    /** Round what is in it, as it came: drawn as a layer. */
    private static function isRound(Piece $piece): bool
    {
        return isset(self::LAYERS[$piece->kind->value]) && $piece->lie === Lie::InPlace;
    }

    private function half(PieceKind $kind): float
    {
        return self::GIRTH / 2 * ($kind === PieceKind::Sheath ? 1.0 : self::LAYERS[$kind->value][0] ?? 0.3);
    }

    /**
     * Everything that is round all of the cable and in its place, the innermost first.
     *
     * @param  \Closure(float): float  $place
     */
    private function layers(Canvas $canvas, CableEnd $end, float $x, float $axis, \Closure $place): void
    {
        $legs = LegsPicture::in($end);
        foreach (array_reverse($end->pieces) as $key => $piece) {
            $isIn = array_intersect($piece->within, array_map(strval(...), array_keys($legs))) !== [];
            if (isset($legs[$key]) || $isIn || ! self::isRound($piece) && $piece->kind !== PieceKind::Sheath) {
                continue;
            }
            $half = $this->half($piece->kind);
            $fill = $piece->kind === PieceKind::Sheath
                ? Colours::hex($this->cable->sheath)
                : self::LAYERS[$piece->kind->value][1] ?? '';
            $to = $place($piece->edge->inMillimetres());
            $canvas->box($x, $axis - $half, max(0.1, $to - $x), 2 * $half, $fill, self::INK, 0.2);
            if ($piece->lie === Lie::Scored) {
                $canvas->line($to - 3, $axis - $half, $to - 3, $axis + $half, self::MARK, 0.4);
            }
            if ($piece->lie === Lie::Opened) {
                $canvas->line($x, $axis, $to, $axis, self::MARK, 0.35, true);
            }
        }
    }

    /**
     * What stands out, lane by lane.
     *
     * @param  \Closure(float): float  $place
     */
    private function stand(Canvas $canvas, Workpiece $on, float $axis, \Closure $place, float $right): void
    {
        $lanes = $this->lanes($on->end);
        $shown = array_slice($lanes, 0, self::LANES);
        $heights = $this->heights($on->end);
        $top = $axis - array_sum($heights) / 2;
        foreach ($shown as $i => $lane) {
            $this->wires->on($canvas, $on, $lane, $axis, $top + $heights[$i] / 2, $place, $right);
            $top += $heights[$i];
        }
        if (count($lanes) > self::LANES) {
            $more = count($lanes) - self::LANES;
            $canvas->text($right + 2, $top + 1, sprintf('and %d more', $more), 2.3);
        }
    }

    /**
     * Parts that lie on the cable, as they follow one another, and the names of those that are in their place.
     *
     * @param  \Closure(float): float  $place
     */
    private function parts(Canvas $canvas, Workpiece $on, float $x, float $axis, \Closure $place): void
    {
        $at = $x + 3;
        foreach ($on->laid as $part) {
            $words = str_replace('-', ' ', $part);
            $wide = max(7.0, strlen($words) * self::LETTER + 1.5);
            $canvas->box($at, $axis - self::GIRTH / 2 - 1, $wide, self::GIRTH + 2, '#eef1f0', self::INK, 0.25);
            $canvas->text($at + $wide / 2, $axis + 0.8, $words, 2, 'middle');
            $at += $wide + 2;
        }
        if ($on->seated !== []) {
            $names = 'in place: '.str_replace('-', ' ', implode(', ', $on->seated));
            $canvas->text($x, $axis - self::GIRTH / 2 - 2.4, $names, 2.3, 'start', false, '#4a6076');
        }
    }

    /**
     * The step's length, from where it is measured, as it is marked.
     *
     * @param  \Closure(float): float  $place
     */
    private function length(Canvas $canvas, StepMade $step, float $y, float $axis, \Closure $place): void
    {
        $measure = $step->doing->step->measure;
        $at = $step->doing->place($step->before, $step->doing->pieces[0] ?? null);
        if ($measure === null || $at === null) {
            return;
        }
        $to = $at->inMillimetres();
        $sheath = $step->before->end->piece(PieceKind::Sheath)?->edge;
        $isFromSheath = $sheath !== null &&
            in_array($measure->from, [MeasuredFrom::Terminal, MeasuredFrom::Leg], true);
        $longest = $measure->from === MeasuredFrom::Legs ? $step->doing->station->longest() : null;
        $length = $isFromSheath ? $sheath->minus($at) : $longest ?? $measure->length;
        if ($length->isZero()) {
            return;
        }
        $from = $to + ($this->leadsIn($measure) ? -1 : 1) * $length->inMillimetres();
        [$left, $right] = [min($place($from), $place($to)), max($place($from), $place($to))];
        $canvas->line($place($to), $axis, $place($to), $y + 1, self::MARK, 0.2, true);
        $canvas->line($left, $y, $right, $y, self::MARK, 0.3);
        foreach ([$left, $right] as $end) {
            $canvas->line($end, $y - 1, $end, $y + 1, self::MARK, 0.3);
        }
        $written = $isFromSheath || $longest !== null ? $length->canonical() : $measure->written;
        $canvas->text(($left + $right) / 2, $y + 3.4, $written, 2.9, 'middle', true, self::MARK);
    }

    private function leadsIn(Measure $measure): bool
    {
        return in_array(
            $measure->from,
            [MeasuredFrom::CutEnd, MeasuredFrom::OwnEnd, MeasuredFrom::Mark, MeasuredFrom::Legs],
            true,
        );
    }
}
