<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Dressing;

use Sartal\Core\Ways\Looming\Segment;

/**
 * Lines on which a loom's segments are drawn, along their distance from the
 * root: the trunk on line 0, each branch on the nearest line that is free for
 * as far as it and its branches reach, above and below by turns.
 */
final class Lanes
{
    /** @var array<int|string, list<Segment>> */
    private array $after = [];

    /** @var array<int, list<array{int, int}>> line → stretches in use, nm */
    private array $used = [];

    /** @var array<int|string, int> */
    private array $lanes = [];

    /** What stands beside a tip takes so much of the loom's length. */
    private const BESIDE_TIP = 0.2;

    private int $tip = 0;

    /** @param  list<Segment>  $segments  those nearer to the root first */
    private function __construct(array $segments)
    {
        foreach ($segments as $segment) {
            $this->after[$segment->before ?? ''][] = $segment;
            $this->tip = max($this->tip, (int) ($segment->end()->nanometres * self::BESIDE_TIP));
        }
    }

    /**
     * @param  list<Segment>  $segments
     * @return array<int|string, int>
     */
    public static function lay(array $segments): array
    {
        $lanes = new self($segments);
        $lanes->place($lanes->after[''] ?? [], 0);

        return $lanes->lanes;
    }

    /** @param  list<Segment>  $segments  that go on from one place */
    private function place(array $segments, int $lane): void
    {
        // The one that most members go on in keeps the line.
        usort(
            $segments,
            static fn (Segment $a, Segment $b): int => $a->beside <=> $b->beside ?:
            count($b->members) <=> count($a->members),
        );
        foreach ($segments as $i => $segment) {
            $own = $i === 0 && $this->isFree($lane, $segment) ? $lane : $this->free($segment, $lane);
            $this->lanes[$segment->id] = $own;
            $this->used[$own][] = [$segment->start->nanometres, $this->reach($segment)];
        }
        foreach ($segments as $segment) {
            $this->place($this->after[$segment->id] ?? [], $this->lanes[$segment->id]);
        }
    }

    private function free(Segment $segment, int $near): int
    {
        for ($away = 1; ; $away++) {
            foreach ($near < 0 ? [$near - $away, $near + $away] : [$near + $away, $near - $away] as $lane) {
                if ($lane !== 0 && $this->isFree($lane, $segment)) {
                    return $lane;
                }
            }
        }
    }

    /** How far along a line is taken: beyond a tip stands what it is called. */
    private function reach(Segment $segment): int
    {
        return $segment->end()->nanometres + (isset($this->after[$segment->id]) ? 0 : $this->tip);
    }

    private function isFree(int $lane, Segment $segment): bool
    {
        foreach ($this->used[$lane] ?? [] as [$from, $to]) {
            if ($segment->start->nanometres < $to && $this->reach($segment) > $from) {
                return false;
            }
        }

        return true;
    }
}
