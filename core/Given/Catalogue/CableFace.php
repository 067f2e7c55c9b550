<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/**
 * A cable cut across, as its type states it: pieces lie in layers about the middle, as they are stranded (one more
 * layer holds six more). Where a diameter is not stated, it follows from the conductor, or from what lies in it. It
 * says what there is and how much room that takes, not where each piece lies in a real cable. Source: common practice.
 */
final class CableFace
{
    /** Insulation round a conductor whose diameter nobody has stated: so many times its copper. */
    private const INSULATED = 1.9;

    /** What is left inside a jacket. */
    private const INSIDE = 0.9;

    /** @return list<FaceCircle> what lies in others after them, the sheath first */
    public static function of(CableType $cable): array
    {
        $radius = $cable->outerDiameter->inMillimetres() / 2;
        $sheath = new FaceCircle('', ElementKind::Group, $cable->name, $cable->sheath, 0, 0, $radius);

        return [$sheath, ...self::within($cable->construction, '', 0, 0, $radius * self::INSIDE)];
    }

    /** @return list<FaceCircle> */
    private static function within(Element $element, string $path, float $x, float $y, float $room): array
    {
        $circles = $pieces = [];
        foreach ($element->children as $child) {
            $at = $path === '' ? $child->key : $path.'/'.$child->key;
            if (self::isAround($child, $element)) {
                $circles[] = self::circle($child, $at, $x, $y, $room);
            } else {
                $pieces[$at] = $child;
            }
        }
        $radii = array_map(self::radius(...), $pieces);
        [$places, $reach] = self::laid(array_values($radii));
        $scale = $reach > 0 ? min(1.0, $room / $reach) : 1.0;
        foreach (array_keys($pieces) as $i => $at) {
            $radius = $radii[$at] * $scale;
            [$px, $py] = [$x + $places[$i][0] * $scale, $y + $places[$i][1] * $scale];
            $circles[] = self::circle($pieces[$at], (string) $at, $px, $py, $radius);
            array_push(
                $circles,
                ...self::within($pieces[$at], (string) $at, $px, $py, $radius * self::INSIDE),
            );
        }

        return $circles;
    }

    /** A foil or a screen lies round its neighbours; one that stands alone is a piece like any other. */
    private static function isAround(Element $child, Element $of): bool
    {
        return in_array($child->kind, [ElementKind::Foil, ElementKind::Screen], true) && count($of->children) > 1;
    }

    private static function circle(Element $element, string $path, float $x, float $y, float $radius): FaceCircle
    {
        return new FaceCircle($path, $element->kind, $element->label, $element->colour, $x, $y, $radius);
    }

    /** mm over a piece, halved. */
    private static function radius(Element $element): float
    {
        if ($element->diameter !== null) {
            return $element->diameter->inMillimetres() / 2;
        }
        if ($element->gauge !== null) {
            return $element->gauge->diameter() / 2 * ($element->kind->isBare() ? 1.0 : self::INSULATED);
        }
        $within = array_filter(
            $element->children,
            static fn (Element $child): bool => ! self::isAround($child, $element),
        );

        return max(0.1, self::laid(array_values(array_map(self::radius(...), $within)))[1] / self::INSIDE);
    }

    /**
     * @param  list<float>  $radii
     * @return array{list<array{float, float}>, float} where each lies about the middle, and how far all of them reach
     */
    private static function laid(array $radii): array
    {
        if ($radii === []) {
            return [[], 0.0];
        }
        if (count($radii) === 2) {
            // Two lie beside each other about their common middle.
            [$one, $other] = $radii;

            return [[[-$other, 0.0], [$one, 0.0]], $one + $other];
        }
        $most = max($radii);
        $places = [];
        $reach = 0.0;
        foreach (self::layers(count($radii)) as $count) {
            $ring = $count === 1 ? 0.0 : max($reach === 0.0 ? 0.0 : $reach + $most, $most / sin(M_PI / $count));
            for ($i = 0; $i < $count; $i++) {
                $angle = 2 * M_PI * $i / $count - M_PI / 2;
                $places[] = [$ring * cos($angle), $ring * sin($angle)];
            }
            $reach = $ring + $most;
        }

        return [$places, $reach];
    }

    /** @return list<int> pieces of each layer from the middle outwards, the last one filled as well as it can be */
    private static function layers(int $count): array
    {
        $best = [$count];
        $emptiest = PHP_INT_MAX;
        foreach ($count < 6 ? [] : range(1, 5) as $middle) {
            $layers = [];
            for ($left = $count, $next = $middle; $left > 0; $next += $next === 1 ? 5 : 6) {
                $layers[] = min($left, $next);
                $left -= $next;
            }
            $empty = count($layers) * 100 - $left;
            if ($empty < $emptiest) {
                [$best, $emptiest] = [$layers, $empty];
            }
        }

        return $best;
    }
}
