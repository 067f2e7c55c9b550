<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Dressing;

use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Measure\Length;

/** Ties and where they go. Source: common practice. */
final class TieChoice
{
    /** From a branch or an end to the tie beside it. */
    private const BESIDE = 50;

    /**
     * @param  array<Part>  $parts
     * @return ?Part the one that reaches furthest, so that it still closes once a cable is added; null where none does
     */
    public static function among(array $parts, Length $diameter): ?Part
    {
        $fit = array_filter(
            $parts,
            static fn (Part $part): bool => $part->kind === PartKind::Tie &&
                $part->grips !== null &&
                $part->grips->takes($diameter),
        );
        usort(
            $fit,
            static fn (Part $a, Part $b): int => ($b->grips?->most->nanometres ?? 0) <=>
            ($a->grips?->most->nanometres ?? 0) ?:
            $a->id <=> $b->id,
        );

        return $fit[0] ?? null;
    }

    /**
     * Points along a stretch: one beside each end, the rest between them, never further apart than asked.
     *
     * @return list<Length> from its beginning
     */
    public static function points(Length $stretch, Length $every): array
    {
        $beside = Length::millimetres(self::BESIDE);
        $between = $stretch->minus($beside->times(2));
        if ($between->isNegative() || $between->isZero()) {
            return [$stretch->times(0.5)];
        }
        $spaces = max(1, (int) ceil($between->nanometres / max(1, $every->nanometres)));
        $points = [];
        for ($i = 0; $i <= $spaces; $i++) {
            $points[] = $beside->plus($between->times($i / $spaces));
        }

        return $points;
    }
}
