<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;

/** Elements of a cable that have jackets of their own, side by side, each as long as it is and with its name. */
final readonly class LegsPicture
{
    /** Share of the girth that they take together. */
    private const SHARE = 0.9;

    /** mm between two of them. */
    private const APART = 0.3;

    private const JACKET = '#8b9a99';

    private const INK = '#22302f';

    /** @param  float  $girth  of the whole cable in the picture, mm */
    public function __construct(private CableType $cable, private float $girth)
    {
    }

    /** @return array<int|string, Piece> their jackets; none where there are not several */
    public static function in(CableEnd $end): array
    {
        $jackets = array_filter(
            $end->pieces,
            static fn (Piece $piece): bool => $piece->kind === PieceKind::InnerSheath && $piece->element !== '',
        );

        return count($jackets) > 1 ? $jackets : [];
    }

    /**
     * As thick as its share of them is.
     *
     * @param  string  $leg  key of its jacket
     * @return array{float, float} mm of its axis from the cable's; half its girth
     */
    public function place(CableEnd $end, string $leg): array
    {
        $girths = array_map(
            fn (Piece $piece): float => $this->cable->diameter($piece->element)?->inMillimetres() ?? 1.0,
            self::in($end),
        );
        $room = $this->girth * self::SHARE;
        $scale = $room / max(0.1, array_sum($girths));
        $at = -$room / 2;
        foreach ($girths as $key => $girth) {
            if ((string) $key === $leg) {
                return [$at + $girth * $scale / 2, $girth * $scale / 2 - self::APART];
            }
            $at += $girth * $scale;
        }

        return [0.0, $room / 2];
    }

    /**
     * From where they come out of the sheath.
     *
     * @param  \Closure(float): float  $place  mm of cable → mm of paper
     */
    public function on(Canvas $canvas, CableEnd $end, float $axis, \Closure $place): void
    {
        $root = $place($end->piece(PieceKind::Sheath)?->edge->inMillimetres() ?? 0.0);
        foreach (self::in($end) as $key => $leg) {
            [$off, $half] = $this->place($end, (string) $key);
            $long = $place($leg->edge->inMillimetres()) - $root;
            if ($long > self::APART) {
                $canvas->box($root, $axis + $off - $half, $long, 2 * $half, self::JACKET, self::INK, 0.2);
                $name = $this->cable->element($leg->element)->label ?? $leg->element;
                $canvas->text($root + $long + 1.5, $axis + $off + 0.8, $name, 2.3);
            }
        }
    }
}
