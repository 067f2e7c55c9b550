<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Measure\Length;

/**
 * Heat-shrink that goes over one thing and grips another: supplied wider than
 * the largest it passes, recovered narrower than the smallest it grips, by a
 * fifth and with adhesive where it has to seal. Source: common practice.
 */
final class ShrinkChoice
{
    private const SEALS_BY = 0.8;

    /**
     * @param  array<Part>  $parts
     * @return ?Part the narrowest that does; null where none does
     */
    public static function among(array $parts, Length $passes, Length $grips, bool $seals): ?Part
    {
        $fit = array_filter(
            $parts,
            static fn (Part $part): bool => $part->kind === PartKind::Shrink &&
                self::does($part, $passes, $grips, $seals),
        );
        // What seals costs more: it is taken where sealing is asked for, or nothing else does.
        usort(
            $fit,
            static fn (Part $a, Part $b): int => $a->lined <=> $b->lined ?:
            ($a->grips?->most->nanometres ?? 0) <=> ($b->grips?->most->nanometres ?? 0) ?:
            $a->id <=> $b->id,
        );

        return $fit[0] ?? null;
    }

    private static function does(Part $part, Length $passes, Length $grips, bool $seals): bool
    {
        if ($part->grips === null || ($seals && ! $part->lined)) {
            return false;
        }
        $narrow = $seals ? $grips->times(self::SEALS_BY) : $grips;
        $recovers = $part->grips->least->compare($narrow);

        return $part->grips->most->compare($passes) > 0 && ($seals ? $recovers <= 0 : $recovers < 0);
    }
}
