<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

/**
 * Schedules the remaining work over people, skills, tools and benches. Serial
 * schedule generation (Kolisch, "Serial and parallel resource-constrained
 * project scheduling methods revisited", 1996) under several priority rules;
 * small cases are then improved by moving single chores. n chores take
 * O(n² × people) at most for each order that is tried.
 *
 * @phpstan-type Booked array{
 *     hands: array<int|string, Timeline>,
 *     tools: array<int|string, list<Timeline>>,
 *     benches: list<Timeline>,
 * }
 */
final readonly class Forecaster
{
    /** Orders that are tried beyond the rules, where there are few chores. */
    private const TRIES = 400;

    private const FEW = 60;

    private const MANY = 300;

    private const NEAR = 1.02;

    /**
     * @param  list<Hand>  $hands
     * @param  array<int|string, int>  $tools  how many there are of those that are short
     * @param  int  $benches  0: as many as people
     */
    public function __construct(private array $hands, private array $tools = [], private int $benches = 0)
    {
    }

    /** @param  list<Chore>  $chores */
    public function forecast(array $chores): Forecast
    {
        [$able, $stuck] = $this->parted($chores);
        $tails = self::tails($able);
        $bounds = Bounds::find($able, $this->hands, $this->tools, $this->benches, $tails);
        if ($able === []) {
            return new Forecast([], 0.0, $bounds, $stuck);
        }
        $floor = $bounds === [] ? 0.0 : $bounds[0]->minutes;
        $best = new Attempt([], INF, []);
        foreach ($this->rules($able, $tails) as $urgency) {
            // Nothing beats the bound, and where there is much to do, near it is good enough.
            if ($best->minutes > $floor * (count($able) > self::MANY ? self::NEAR : 1.0) + 1e-6) {
                $best = $this->better($best, $able, $urgency);
            }
        }
        if (count($able) <= self::FEW && $best->minutes > $floor + 1e-6) {
            $best = $this->improved($able, $best, $floor);
        }
        $bookings = $best->bookings;
        usort(
            $bookings,
            static fn (Booking $a, Booking $b): int => $a->from <=> $b->from ?: $a->chore->id <=> $b->chore->id,
        );

        return new Forecast($bookings, $best->minutes, $bounds, $stuck);
    }

    /**
     * The better of one attempt and those that another order leads to: with
     * who can do less asked first, and without.
     *
     * @param  list<Chore>  $chores
     * @param  array<int|string, float>  $urgency
     */
    private function better(Attempt $best, array $chores, array $urgency): Attempt
    {
        foreach ([true, false] as $sparing) {
            $tried = $this->scheduled($chores, $urgency, $sparing);
            $best = $tried->isBetterThan($best) ? $tried : $best;
        }

        return $best;
    }

    /**
     * @param  list<Chore>  $chores
     * @return array{list<Chore>, list<Chore>} what can be done, and what nobody can do or gets to
     */
    private function parted(array $chores): array
    {
        $known = array_column($chores, null, 'id');
        $stuck = [];
        foreach ($chores as $chore) {
            if (array_filter($this->hands, static fn (Hand $hand): bool => $hand->can($chore)) === []) {
                $stuck[$chore->id] = true;
            }
        }
        do {
            $before = count($stuck);
            foreach ($chores as $chore) {
                foreach ($chore->after as $needed) {
                    if (isset($stuck[$needed]) && isset($known[$needed])) {
                        $stuck[$chore->id] = true;
                    }
                }
            }
        } while (count($stuck) > $before);
        $stuck += self::circling(
            array_filter($chores, static fn (Chore $chore): bool => ! isset($stuck[$chore->id])),
        );

        return [
            array_values(array_filter($chores, static fn (Chore $chore): bool => ! isset($stuck[$chore->id]))),
            array_values(array_filter($chores, static fn (Chore $chore): bool => isset($stuck[$chore->id]))),
        ];
    }

    /**
     * What waits for itself, by way of others or at once, or for such: nobody ever gets to it (Kahn, "Topological
     * sorting of large networks", Communications of the ACM 5/11, 1962).
     *
     * @param  array<array-key, Chore>  $chores
     * @return array<int|string, true>
     */
    private static function circling(array $chores): array
    {
        $left = array_column($chores, null, 'id');
        $waits = $then = [];
        foreach ($left as $id => $chore) {
            $needs = array_filter(
                array_unique($chore->after),
                static fn (string $needed): bool => isset($left[$needed]),
            );
            $waits[$id] = count($needs);
            foreach ($needs as $needed) {
                $then[$needed][] = $id;
            }
        }
        $free = array_keys($waits, 0, true);
        while ($free !== []) {
            $id = array_pop($free);
            unset($left[$id]);
            foreach ($then[$id] ?? [] as $next) {
                if (--$waits[$next] === 0) {
                    $free[] = $next;
                }
            }
        }

        return array_fill_keys(array_keys($left), true);
    }

    /**
     * @param  list<Chore>  $chores
     * @return array<int|string, float>
     */
    private static function tails(array $chores): array
    {
        $then = [];
        $minutes = array_column($chores, null, 'id');
        foreach ($chores as $chore) {
            foreach ($chore->after as $before) {
                $then[$before][] = $chore->id;
            }
        }
        $tails = [];
        $tail = static function (string $id) use (&$tail, &$tails, $then, $minutes): float {
            if (! isset($tails[$id])) {
                $tails[$id] = 0.0;
                $longest = 0.0;
                foreach ($then[$id] ?? [] as $next) {
                    $longest = max($longest, $minutes[$id]->wait + $tail($next));
                }
                $tails[$id] = $minutes[$id]->minutes + $longest;
            }

            return $tails[$id];
        };
        // From the back, so that long chains are not walked in one go.
        foreach (array_reverse($chores) as $chore) {
            $tail($chore->id);
        }

        return $tails;
    }

    /**
     * @param  list<Chore>  $chores
     * @param  array<int|string, float>  $tails
     * @return list<array<int|string, float>> chore → how urgent, by one rule each
     */
    private function rules(array $chores, array $tails): array
    {
        $longest = $rare = $work = $first = [];
        foreach ($chores as $n => $chore) {
            $able = count(array_filter($this->hands, static fn (Hand $hand): bool => $hand->can($chore)));
            $longest[$chore->id] = $tails[$chore->id];
            $rare[$chore->id] = $tails[$chore->id] / max(1, $able) + ($chore->tools === [] ? 0.0 : $chore->minutes);
            $work[$chore->id] = $chore->minutes;
            $first[$chore->id] = (float) -$n;
        }

        return [$longest, $rare, $work, $first];
    }

    /**
     * @param  list<Chore>  $chores
     * @param  array<int|string, float>  $urgency
     * @param  bool  $sparing  who can do less is asked first
     */
    private function scheduled(array $chores, array $urgency, bool $sparing): Attempt
    {
        $known = array_column($chores, null, 'id');
        $open = $then = [];
        foreach ($chores as $chore) {
            $open[$chore->id] = 0;
            foreach ($chore->after as $before) {
                if (isset($known[$before])) {
                    $open[$chore->id]++;
                    $then[$before][] = $chore->id;
                }
            }
        }
        /** @var \SplMinHeap<array{float, int, string}> $queue */
        $queue = new \SplMinHeap();
        $places = array_flip(array_keys($known));
        foreach (array_keys($open, 0, true) as $id) {
            $queue->insert([-$urgency[$id], $places[$id], (string) $id]);
        }
        $lines = $this->lines();
        $ready = [];
        $bookings = [];
        $end = 0.0;
        while (! $queue->isEmpty()) {
            $chore = $known[$queue->extract()[2]];
            $booking = $this->booked($chore, $ready[$chore->id] ?? 0.0, $lines, $sparing);
            $bookings[] = $booking;
            $end = max($end, $booking->to);
            foreach ($then[$chore->id] ?? [] as $next) {
                $ready[$next] = max($ready[$next] ?? 0.0, $booking->to + $chore->wait);
                if (--$open[$next] === 0) {
                    $queue->insert([-$urgency[$next], $places[$next], $next]);
                }
            }
        }

        return new Attempt($bookings, $end, $urgency);
    }

    /** @return Booked */
    private function lines(): array
    {
        $several = static fn (int $count): array => array_map(
            static fn (): Timeline => new Timeline(),
            range(1, max(1, $count)),
        );

        return [
            'hands' => array_combine(
                array_map(static fn (Hand $hand): string => $hand->id, $this->hands),
                array_map(static fn (): Timeline => new Timeline(), $this->hands),
            ),
            'tools' => array_map($several, $this->tools),
            'benches' => $this->benches > 0 ? $several($this->benches) : [],
        ];
    }

    /**
     * As early as somebody, the tools and a bench are free together.
     *
     * @param  Booked  $lines
     */
    private function booked(Chore $chore, float $ready, array $lines, bool $sparing): Booking
    {
        $able = array_values(array_filter($this->hands, static fn (Hand $hand): bool => $hand->can($chore)));
        usort($able, static fn (Hand $a, Hand $b): int => $sparing ? count($a->skills) <=> count($b->skills) : 0);
        $pools = $this->benches > 0 ? [$lines['benches']] : [];
        foreach ($chore->tools as $tool) {
            if (isset($lines['tools'][$tool])) {
                $pools[] = $lines['tools'][$tool];
            }
        }
        $people = array_map(static fn (Hand $hand): Timeline => $lines['hands'][$hand->id], $able);
        // Everybody and everything says when it is free; the last of them is asked around again.
        for ($from = $ready; ; $from = $moment) {
            $moment = self::soonest($people, $from, $chore->minutes);
            foreach ($pools as $pool) {
                $moment = max($moment, self::soonest($pool, $from, $chore->minutes));
            }
            if ($moment <= $from) {
                break;
            }
        }
        $to = $from + $chore->minutes;
        $who = self::free($people, $from, $chore->minutes);
        foreach (
            [
                $people[$who],
                ...array_map(
                    static fn (array $pool): Timeline => $pool[self::free($pool, $from, $chore->minutes)],
                    $pools,
                ),
            ] as $line
        ) {
            $line->take($from, $to);
        }

        return new Booking($chore, $able[$who]->id, $from, $to);
    }

    /** @param  list<Timeline>  $pool */
    private static function soonest(array $pool, float $from, float $minutes): float
    {
        $soonest = INF;
        foreach ($pool as $line) {
            $soonest = min($soonest, $line->earliest($from, $minutes));
            if ($soonest <= $from) {
                break;
            }
        }

        return $soonest;
    }

    /**
     * Which of them is free then: the first.
     *
     * @param  list<Timeline>  $pool
     */
    private static function free(array $pool, float $from, float $minutes): int
    {
        foreach ($pool as $n => $line) {
            if ($line->earliest($from, $minutes) <= $from) {
                return $n;
            }
        }
        throw new \LogicException('After everything is done, everybody is free.');
    }

    /**
     * Moves one chore at a time before or behind another, as long as that helps.
     *
     * @param  list<Chore>  $chores
     */
    private function improved(array $chores, Attempt $best, float $floor): Attempt
    {
        $tries = self::TRIES;
        do {
            $before = $best->minutes;
            $order = $best->urgency;
            arsort($order);
            $ids = array_keys($order);
            foreach (array_keys($ids) as $i) {
                for ($j = 0; $j < count($ids) && $tries > 0; $j++) {
                    if ($i !== $j) {
                        $moved = $ids;
                        array_splice($moved, $j, 0, array_splice($moved, $i, 1));
                        $best = $this->better(
                            $best,
                            $chores,
                            array_combine(
                                $moved,
                                array_map(static fn (int $n): float => (float) -$n, array_keys($moved)),
                            ),
                        );
                        $tries -= 2;
                    }
                }
            }
        } while ($best->minutes < $before - 1e-9 && $best->minutes > $floor + 1e-6 && $tries > 0);

        return $best;
    }
}
