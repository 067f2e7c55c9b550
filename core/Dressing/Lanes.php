<?php

declare(strict_types=1);

namespace Sartal\Core\Dressing;

use Sartal\Core\Looming\Segment;

/**
 * Lines on which a loom's segments are drawn, along their distance from the
 * root: the trunk on line 0, each branch on the nearest line that is free for
 * as far as it and its branches reach, above and below by turns.
 */
final class Lanes
{
    /** @var array<string, list<Segment>> */
    private array $after = [];

    /** @var array<int, list<array{int, int}>> line → stretches in use, nm */
    private array $used = [];

    /** @var array<string, int> */
    private array $lanes = [];

    /** @param  list<Segment>  $segments  those nearer to the root first */
    private function __construct(array $segments)
    {
        foreach ($segments as $segment) {
            $this->after[$segment->before ?? ''][] = $segment;
        }
    }

    /**
     * @param  list<Segment>  $segments
     * @return array<string, int>
     */
    public static function of(array $segments): array
    {
        $lanes = new self($segments);
        $lanes->place($lanes->after[''] ?? [], 0);

        return $lanes->lanes;
    }

    /** @param  list<Segment>  $segments  that go on from one place */
    private function place(array $segments, int $lane): void
    {
        // The one that most members go on in keeps the line.
        usort($segments, static fn (Segment $a, Segment $b): int => $a->beside <=> $b->beside ?: count($b->members) <=> count($a->members));
        foreach ($segments as $i => $segment) {
            $own = $i === 0 && $this->isFree($lane, $segment) ? $lane : $this->free($segment, $lane);
            $this->lanes[$segment->id] = $own;
            $this->used[$own][] = [$segment->start->nanometres, $segment->end()->nanometres];
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

    private function isFree(int $lane, Segment $segment): bool
    {
        foreach ($this->used[$lane] ?? [] as [$from, $to]) {
            if ($segment->start->nanometres < $to && $segment->end()->nanometres > $from) {
                return false;
            }
        }

        return true;
    }
}
