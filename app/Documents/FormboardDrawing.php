<?php

declare(strict_types=1);

namespace App\Documents;

use App\Documents\Drawing\Canvas;
use App\Documents\Drawing\LengthText;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Units;
use Sartal\Core\Ways\Dressing\LoomDress;
use Sartal\Core\Ways\Dressing\SegmentDress;

/**
 * A loom at full size along its length, on A4 pages that join at their
 * register marks. Bundles are as thick as they are; the lines that branches
 * are drawn on are not where they lie. Long straight stretches are left out.
 */
final class FormboardDrawing
{
    public const WIDTH = 297.0;

    public const HEIGHT = 210.0;

    /** What one page shows of the loom, mm. */
    private const TILE = 250.0;

    private const X = 23.5;

    private const TOP = 32.0;

    private const BOTTOM = 190.0;

    private bool $first = true;

    private function __construct(
        private readonly Canvas $canvas,
        private readonly LoomDress $dress,
        private readonly Installation $installation,
        private readonly Units $units,
    ) {
    }

    public static function draw(Canvas $canvas, LoomDress $dress, Installation $installation, Units $units): void
    {
        (new self($canvas, $dress, $installation, $units))->work();
    }

    /**
     * What is at which distance from the root, in order.
     *
     * @return list<array{at: Length, what: string, where: string, who: string}>
     */
    public static function offsets(LoomDress $dress, Installation $installation, Units $units): array
    {
        $codes = static fn (array $runs): string => implode(
            ' ',
            array_map(static fn (string $run): string => $installation->runs()[$run]->code, $runs),
        );
        $rows = [];
        foreach ($dress->segments as $made) {
            $segment = $made->segment;
            $rows[] = [
                'at' => $segment->start,
                'what' => sprintf(
                    'begins, ⌀ %s%s',
                    LengthText::of(Length::millimetres($made->diameter->value), $units, 1),
                    $made->sleeve === null
                        ? ''
                        : sprintf(
                            ', %s cut %s',
                            $made->sleeve->part->name,
                            LengthText::of($made->sleeve->cut->result, $units),
                        ),
                ),
                'where' => $segment->way->name,
                'who' => $codes($segment->members),
            ];
            foreach ($made->points as $point) {
                $rows[] = [
                    'at' => $segment->start->plus($point),
                    'what' => 'tie',
                    'where' => $segment->way->name,
                    'who' => '',
                ];
            }
            $rows[] = [
                'at' => $segment->end(),
                'what' => 'ends',
                'where' => $segment->way->name,
                'who' => $codes($segment->members),
            ];
        }
        foreach ($dress->shape->ends as $end) {
            $rows[] = [
                'at' => $end->start,
                'what' => 'leaves, end '.$end->side->value,
                'where' => $installation->placeName($end->place),
                'who' => $codes([$end->run]),
            ];
        }
        usort($rows, static fn (array $a, array $b): int => $a['at']->compare($b['at']));

        return $rows;
    }

    private function work(): void
    {
        $tiles = $this->tiles();
        foreach ($tiles as $i => $tile) {
            if (! $this->first) {
                $this->canvas->newPage();
            }
            $this->first = false;
            $this->page($tile, $i + 1, count($tiles), $tiles[$i + 1] ?? null);
        }
        if ($tiles === []) {
            $this->canvas->text(
                self::X,
                40,
                'This loom has no shape: none of its members has ways that lead through the building.',
                4,
            );
        }
    }

    /** @return list<int> numbers of the tiles on which something begins, ends or leaves */
    private function tiles(): array
    {
        $tiles = [];
        foreach ($this->dress->segments as $made) {
            foreach ([$made->segment->start, $made->segment->end()] as $at) {
                $tiles[(int) floor(max(0.0, $at->inMillimetres() - 0.001) / self::TILE)] = true;
            }
        }
        ksort($tiles);

        return array_keys($tiles);
    }

    private function page(int $tile, int $number, int $of, ?int $next): void
    {
        $from = $tile * self::TILE;
        $to = $from + self::TILE;
        $this->canvas->text(self::X, 14, $this->dress->shape->loom->name.' · formboard', 5, bold: true);
        $this->canvas->text(
            self::X + self::TILE,
            14,
            sprintf('%s · sheet %d of %d', $this->installation->name, $number, $of),
            3.2,
            'end',
            fill: '#4a6076',
        );
        $this->canvas->text(
            self::X,
            20,
            sprintf(
                'Full size: %s to %s from %s. Print without scaling; the bar below is 100 mm.',
                $this->length($from),
                $this->length($to),
                $this->installation->placeName($this->dress->shape->root),
            ),
            3,
        );
        $this->canvas->line(self::X, 24, self::X + 100, 24, width: 0.5);
        $this->canvas->line(self::X, 22.5, self::X, 25.5, width: 0.5);
        $this->canvas->line(self::X + 100, 22.5, self::X + 100, 25.5, width: 0.5);
        $this->marks($tile);
        foreach ($this->dress->segments as $made) {
            $this->segment($made, $from, $to);
        }
        $this->ends($from, $to);
        if ($next !== null && $next > $tile + 1) {
            $this->canvas->text(
                self::X + self::TILE,
                self::BOTTOM + 8,
                sprintf(
                    'Then straight for %s: go on with the sheet that begins at %s.',
                    $this->length(($next - $tile - 1) * self::TILE),
                    $this->length($next * self::TILE),
                ),
                3.2,
                'end',
                true,
            );
        }
    }

    /** Crosses at the corners of what the page shows: the next page's left ones lie on this one's right ones. */
    private function marks(int $tile): void
    {
        foreach ([[self::X, $tile], [self::X + self::TILE, $tile + 1]] as [$x, $number]) {
            foreach ([self::TOP, self::BOTTOM] as $y) {
                $this->canvas->line($x - 4, $y, $x + 4, $y, width: 0.15);
                $this->canvas->line($x, $y - 4, $x, $y + 4, width: 0.15);
                $this->canvas->circle($x, $y, 2, '', '#22302f', 0.15);
            }
            $this->canvas->text(
                $x + ($number === $tile ? -3 : 3),
                self::TOP - 3,
                (string) $number,
                3,
                $number === $tile ? 'end' : 'start',
            );
        }
    }

    private function segment(SegmentDress $made, float $from, float $to): void
    {
        $start = $made->segment->start->inMillimetres();
        $end = $made->segment->end()->inMillimetres();
        if ($end < $from || $start > $to) {
            return;
        }
        $y = $this->y($made->segment->id);
        $thick = max(1.0, min($this->spacing() - 6, $made->packing->diameter));
        [$x1, $x2] = [self::X + max($start, $from) - $from, self::X + min($end, $to) - $from];
        if ($start >= $from && $made->segment->before !== null) {
            $this->canvas->line($x1, $this->y($made->segment->before), $x1, $y, '#4a6076', 0.4, true);
        }
        $this->canvas->box(
            $x1,
            $y - $thick / 2,
            max(0.4, $x2 - $x1),
            $thick,
            $made->sleeve === null ? '#dfe6ea' : '#9fb0bb',
            '#22302f',
            0.25,
        );
        foreach ($made->points as $point) {
            $at = $start + $point->inMillimetres();
            if ($at >= $from && $at <= $to) {
                $this->canvas->line(
                    self::X + $at - $from,
                    $y - $thick / 2 - 1,
                    self::X + $at - $from,
                    $y + $thick / 2 + 1,
                    '#b0302b',
                    0.6,
                );
            }
        }
        $this->canvas->text(
            $x1 + 1.5,
            $y - $thick / 2 - 1.8,
            mb_strimwidth(
                sprintf(
                    '%s, %d %s, ⌀ %s',
                    $made->segment->way->name,
                    count($made->segment->members),
                    count($made->segment->members) === 1 ? 'cable' : 'cables',
                    LengthText::of(Length::millimetres($made->diameter->value), $this->units, 1),
                ),
                0,
                max(8, (int) (($x2 - $x1) / 1.6)),
                '…',
            ),
            2.8,
        );
    }

    private function ends(float $from, float $to): void
    {
        $at = [];
        foreach ($this->dress->shape->ends as $end) {
            $mm = $end->start->inMillimetres();
            if ($mm >= $from && $mm <= $to && ($mm > $from || $mm === 0.0)) {
                $at[($end->after ?? '').' '.$mm][] = $end;
            }
        }
        foreach ($at as $ends) {
            $x = self::X + $ends[0]->start->inMillimetres() - $from;
            $y = $this->y($ends[0]->after ?? '') + 4;
            foreach (array_slice($ends, 0, 8) as $i => $end) {
                $this->canvas->text(
                    $x,
                    $y + 3.2 * ($i + 1),
                    $this->installation->runs()[$end->run]->code.' end '.$end->side->value,
                    2.6,
                    $x > self::X + self::TILE - 30 ? 'end' : 'start',
                    mono: true,
                );
            }
            if (count($ends) > 8) {
                $this->canvas->text(
                    $x,
                    $y + 3.2 * 9,
                    sprintf('and %d more, see the table of offsets', count($ends) - 8),
                    2.6,
                    $x > self::X + self::TILE - 40 ? 'end' : 'start',
                );
            }
        }
    }

    private function y(string $segment): float
    {
        $lanes = $this->dress->lanes === [] ? [0] : array_values($this->dress->lanes);
        $least = min(0, ...$lanes);

        return self::TOP + 14 + $this->spacing() * (($this->dress->lanes[$segment] ?? 0) - $least);
    }

    private function spacing(): float
    {
        $lanes = $this->dress->lanes === [] ? [0] : array_values($this->dress->lanes);
        $count = max(0, ...$lanes) - min(0, ...$lanes) + 1;

        return min(45.0, (self::BOTTOM - self::TOP - 20) / $count);
    }

    private function length(float $mm): string
    {
        $length = Length::millimetres($mm);

        return LengthText::long($length, $this->units);
    }
}
