<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;

/**
 * Braided sleeving, used within its stated range and cut longer, because it shortens as it opens. Source: common
 * practice.
 */
final class SleeveChoice
{
    /** Shrink that ends a sleeve goes over it as it lies on its cable: twice its wall, common practice. */
    public const OVER = 1.25;

    /** In the middle of the 10 to 15 % that are usual. */
    private const LONGER = 0.125;

    private const STEP = 10;

    /**
     * @param  array<Part>  $parts
     * @return ?Part the smallest that goes round; null where none does
     */
    public static function among(array $parts, Length $diameter): ?Part
    {
        return self::all($parts, $diameter)[0] ?? null;
    }

    /**
     * @param  array<Part>  $parts
     * @return list<Part> what goes round, the smallest first
     */
    public static function all(array $parts, Length $diameter): array
    {
        $fit = array_filter(
            $parts,
            static fn (Part $part): bool => $part->kind === PartKind::Sleeve &&
                $part->grips !== null &&
                $part->grips->takes($diameter),
        );
        usort(
            $fit,
            static fn (Part $a, Part $b): int => ($a->grips?->most->nanometres ?? 0) <=>
            ($b->grips?->most->nanometres ?? 0) ?:
            $a->id <=> $b->id,
        );

        return $fit;
    }

    /** Over a cable by itself: the one that was chosen where that goes round it, else the smallest that does. */
    public static function over(Run $run, Installation $in): ?Part
    {
        $cable = $run->sleeve === null ? null : $in->catalogue->cable($run->cable);
        if ($cable === null) {
            return null;
        }
        $chosen = $in->catalogue->part($run->sleeve ?? '');

        return self::among(
            $run->sleeve === '' ? $in->catalogue->parts() : array_filter([$chosen]),
            $cable->outerDiameter,
        );
    }

    /**
     * What to cut for a stretch.
     *
     * @param  string  $over  what it goes over: "the loom", "the leg"
     */
    public static function cut(Length $stretch, string $over = 'the loom'): Worked
    {
        return Worked::roundedUp(
            [
                new Term('stretch', sprintf('of %s that it covers', $over), $stretch, $over),
                new Term(
                    'opening',
                    sprintf('%s %% more, because it shortens as it opens', self::LONGER * 100),
                    $stretch->times(self::LONGER),
                    '10 to 15 %, common practice',
                ),
            ],
            Length::millimetres(self::STEP),
        );
    }
}
