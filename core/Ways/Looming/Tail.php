<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;

/**
 * The tail from where a bundle comes in at a panel to one of its places: to
 * the lacing bar, along it, up to the row, out to the connector, and what it
 * is dressed with. Source: common practice.
 */
final class Tail
{
    public static function to(Panel $panel, int $row, int $column): Worked
    {
        $x = $panel->left->plus($panel->pitch->times($column - 1));
        $y = $panel->down($row);
        $bar = $panel->bar($row);
        $from = $bar ?? $panel->entryDown;

        return Worked::sum([
            new Term(
                'along',
                sprintf(
                    'from the entry at %s to column %d at %s',
                    $panel->entryAcross->canonical(),
                    $column,
                    $x->canonical(),
                ),
                self::apart($x, $panel->entryAcross),
                'panel '.$panel->name,
            ),
            new Term(
                'to the bar',
                $bar === null
                    ? 'no lacing bar'
                    : sprintf(
                        'from the entry at %s to the bar at %s',
                        $panel->entryDown->canonical(),
                        $bar->canonical(),
                    ),
                $bar === null ? Length::zero() : self::apart($bar, $panel->entryDown),
                'panel '.$panel->name,
            ),
            new Term(
                'up',
                sprintf('to row %d at %s', $row, $y->canonical()),
                self::apart($y, $from),
                'panel '.$panel->name,
            ),
            new Term('out', 'from the bar to the connector', $panel->depth, 'panel '.$panel->name),
            new Term('dressing', 'to dress and open it', $panel->dressing, 'panel '.$panel->name),
        ]);
    }

    /** From where cables come into the rack to the panel; null where the panel is in none. */
    public static function climb(Panel $panel, Installation $installation): ?Term
    {
        $rack = $installation->location($panel->location)->rack ?? null;
        if ($rack === null || $panel->unit === null) {
            return null;
        }

        return new Term(
            'rack',
            sprintf(
                '%s across, then from the %s to unit %d',
                $rack->across->canonical(),
                $rack->entry->value,
                $panel->unit,
            ),
            $rack->across->plus($rack->climb($panel->unit)),
            'a unit is 44.45 mm, IEC 60297-3-100',
        );
    }

    /**
     * Places in the order in which they are best filled: the rows in the
     * middle first, which are the hardest to reach later, then outward.
     *
     * @return list<array{int, int}> row and column, from 1
     */
    public static function order(Panel $panel): array
    {
        $middle = ($panel->rows + 1) / 2;
        $places = [];
        for ($row = 1; $row <= $panel->rows; $row++) {
            for ($column = 1; $column <= $panel->columns; $column++) {
                $places[] = [$row, $column];
            }
        }
        usort(
            $places,
            static fn (array $a, array $b): int => [abs($a[0] - $middle), $a[0], $a[1]] <=> [
                abs($b[0] - $middle),
                $b[0],
                $b[1],
            ],
        );

        return $places;
    }

    private static function apart(Length $one, Length $other): Length
    {
        return Length::nanometres(abs($one->nanometres - $other->nanometres));
    }
}
