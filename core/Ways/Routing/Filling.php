<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/** How full a way is, how heavy, and whether three cables may jam in it. */
final class Filling
{
    /** NEC chapter 9 note, from memory: between these, three cables may wedge side by side. */
    public const JAM_FROM = 2.8;

    public const JAM_TO = 3.2;

    /**
     * @param  list<CableType>  $cables
     */
    public static function fill(Way $way, array $cables): ?Figure
    {
        if ($way->inner === null) {
            return null;
        }
        $area = self::area($cables);
        $inside = $way->inner->area();

        return new Figure(self::share($way, $area) ?? INF, '%', [
            ...self::byType($cables),
            new FigureTerm(
                'cables together',
                sprintf('%d cables', count($cables)),
                Figure::amount($area, 'mm²', 0),
                'π/4 × outside diameter², added up',
            ),
            new FigureTerm(
                'inside of the way',
                $way->inner->text(),
                Figure::amount($inside, 'mm²', 0),
                'stated for the way',
            ),
        ]);
    }

    /**
     * How full it is, without how that came about.
     *
     * @param  float  $area  mm² of what lies in it
     * @return ?float %; null where it has no inside
     */
    public static function share(Way $way, float $area): ?float
    {
        $inside = $way->inner?->area();

        return match (true) {
            $inside === null => null,
            $inside > 0 => (100 * $area) / $inside,
            default => INF,
        };
    }

    /**
     * @param  list<CableType>  $cables
     * @return float mm²
     */
    public static function area(array $cables): float
    {
        return array_sum(
            array_map(
                static fn (CableType $cable): float => (M_PI / 4) * $cable->outerDiameter->inMillimetres() ** 2,
                $cables,
            ),
        );
    }

    /** @param  list<CableType>  $cables */
    public static function jam(Way $way, array $cables): ?Figure
    {
        if (
            $way->kind !== WayKind::Conduit ||
            $way->inner === null ||
            ! $way->inner->isRound() ||
            count($cables) !== 3
        ) {
            return null;
        }
        $mean =
            array_sum(
                array_map(static fn (CableType $cable): float => $cable->outerDiameter->inMillimetres(), $cables),
            ) / 3;

        return new Figure(
            $way->inner->width->inMillimetres() / $mean,
            '',
            [
                new FigureTerm('inner diameter', '', $way->inner->width->canonical(), 'stated for the way'),
                new FigureTerm(
                    'cable diameter',
                    'mean of the three',
                    Figure::amount($mean, 'mm', 2),
                    'stated by the cable types',
                ),
                new FigureTerm(
                    'may jam',
                    sprintf('from %s to %s', self::JAM_FROM, self::JAM_TO),
                    '',
                    'NEC chapter 9 note, from memory',
                ),
            ],
            2,
        );
    }

    public static function jams(?Figure $jam): bool
    {
        return $jam !== null && $jam->value >= self::JAM_FROM && $jam->value <= self::JAM_TO;
    }

    /** @param  list<CableType>  $cables */
    public static function mass(array $cables): Figure
    {
        $terms = [];
        $unstated = [];
        $mass = 0.0;
        foreach (self::counted($cables) as [$cable, $count]) {
            if ($cable->mass > 0.0) {
                $mass += ($count * $cable->mass) / 1000;
                $terms[] = new FigureTerm(
                    $cable->name,
                    sprintf('%d × %s g/m', $count, Figure::amount($cable->mass, '')),
                    Figure::amount(($count * $cable->mass) / 1000, 'kg/m', 3),
                    'stated by the cable type',
                );
            } else {
                $unstated[] = $cable->name;
            }
        }
        if ($unstated !== []) {
            $terms[] = new FigureTerm('not stated', implode(', ', $unstated), '', 'the sum is at least this');
        }

        return new Figure($mass, 'kg/m', $terms, 2);
    }

    /**
     * @param  list<CableType>  $cables
     * @return list<FigureTerm>
     */
    private static function byType(array $cables): array
    {
        $terms = [];
        foreach (self::counted($cables) as [$cable, $count]) {
            $terms[] = new FigureTerm(
                $cable->name,
                sprintf('%d × ⌀ %s', $count, $cable->outerDiameter->canonical()),
                Figure::amount(self::area([$cable]) * $count, 'mm²', 0),
                'stated by the cable type',
            );
        }

        return $terms;
    }

    /**
     * @param  list<CableType>  $cables
     * @return array<int|string, array{CableType, int}>
     */
    private static function counted(array $cables): array
    {
        $counted = [];
        foreach ($cables as $cable) {
            $counted[$cable->id] = [$cable, ($counted[$cable->id][1] ?? 0) + 1];
        }

        return $counted;
    }
}
