<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Later\Changing\Assignment;
use Sartal\Core\Later\Changing\CutPiece;
use Sartal\Core\Later\Changing\Exchanges;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\Pieces;
use Sartal\Core\Later\Changing\RemedyKind;
use Sartal\Core\Later\Changing\Work;
use Sartal\Core\Later\Changing\Worth;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Bench\TimeBook;
use Tests\Support\Bench;
use Tests\Support\Crew;

/** Pieces that change places, against every way of changing them. */
final class AssignmentTest extends TestCase
{
    /**
     * @param  list<int>  $of
     * @return iterable<list<int>>
     */
    private static function orders(array $of): iterable
    {
        if (count($of) < 2) {
            yield $of;

            return;
        }
        foreach ($of as $i => $first) {
            foreach (self::orders(array_values(array_diff_key($of, [$i => true]))) as $rest) {
                yield [$first, ...$rest];
            }
        }
    }

    public function test_it_is_never_dearer_than_the_best_of_all_orders(): void
    {
        $random = new Randomizer(new Mt19937(11));
        for ($case = 0; $case < 300; $case++) {
            $size = $random->getInt(1, 6);
            $costs = [];
            for ($i = 0; $i < $size * $size; $i++) {
                // Few values, so that ties are common.
                $costs[] = (float) $random->getInt(0, $case % 2 === 0 ? 4 : 1000);
            }
            $cost = static fn (int $row, int $column): float => $costs[$row * $size + $column];
            $least = INF;
            foreach (self::orders(range(0, $size - 1)) as $order) {
                $least = min($least, array_sum(array_map($cost, array_keys($order), $order)));
            }
            $found = Assignment::cheapest($size, $cost);
            self::assertSame(range(0, $size - 1), array_keys($found));
            self::assertCount($size, array_unique($found));
            self::assertEqualsWithDelta($least, array_sum(array_map($cost, array_keys($found), $found)), 1e-9);
        }
    }

    public function test_the_best_set_for_a_handful_of_pieces_is_that_of_an_exhaustive_search(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $exchanged = 0;
        for ($case = 0; $case < 60; $case++) {
            [$before, $after, $record] = self::shuffled($random, $random->getInt(2, 5));
            $planner = new Planner();
            $plan = $planner->plan($after, $record);
            $work = new Work($after, $plan, $record);
            $impact = (new ImpactPlanner($work))->after(new Work($before, $planner->plan($before, $record), $record));
            // What the best set comes to, ring by ring, once each.
            $sum = 0.0;
            foreach ($impact->runs as $run) {
                foreach ($run->best as $remedy) {
                    $exchanged += $remedy->kind === RemedyKind::Exchange ? 1 : 0;
                    $sum += $remedy->cost->value;
                }
            }
            self::assertEqualsWithDelta(
                self::exhaustive($after, $work, array_map(strval(...), array_keys($impact->runs))),
                $sum,
                1e-6,
                'case '.$case,
            );
        }
        self::assertGreaterThan(30, $exchanged, 'Cases in which nothing changes places show nothing.');
    }

    public function test_where_there_are_too_many_the_short_ones_deal_their_pieces_out_to_as_many_as_can_be(): void
    {
        $random = new Randomizer(new Mt19937(5));
        $helped = 0;
        for ($case = 0; $case < 60; $case++) {
            [, $after, $record] = self::shuffled($random, $random->getInt(2, 5));
            $work = new Work($after, (new Planner())->plan($after, $record), $record);
            $pieces = new Pieces($work);
            $exchanges = new Exchanges($after, $pieces, new Worth($after, new TimeBook()), 0);
            $short = array_values(
                array_filter($pieces->free('pair-foil'), static fn (CutPiece $piece): bool => ! $piece->serves($piece)),
            );
            $taken = [];
            foreach ($short as $piece) {
                $ring = $exchanges->ringOf($piece->run);
                $taken[$piece->run] = $ring[$piece->run] ?? $piece->run;
            }
            self::assertCount(count($taken), array_unique($taken), 'each piece once');
            $served = count(
                array_filter(
                    $short,
                    static fn (CutPiece $run): bool => $pieces->of($taken[$run->run])?->servesAtAPinch($run) === true,
                ),
            );
            $most = 0;
            foreach ($short === [] ? [] : self::orders(range(0, count($short) - 1)) as $order) {
                $most = max(
                    $most,
                    count(
                        array_filter(
                            array_keys($order),
                            static fn (int $i): bool => $short[$order[$i]]->servesAtAPinch($short[$i]),
                        ),
                    ),
                );
            }
            self::assertSame($most, $served, 'case '.$case);
            $helped += $served;
        }
        self::assertGreaterThan(20, $helped);
    }

    /**
     * Runs of one cable over ways of their own, whose lengths are dealt out anew after they are cut.
     *
     * @return array{Installation, Installation, Record}
     */
    private static function shuffled(Randomizer $random, int $count): array
    {
        $requests = $ways = [];
        for ($i = 1; $i <= $count; $i++) {
            $one = Bench::request(
                'A-'.$i,
                'pair-foil',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            );
            $end = static fn (Termination $end): Termination => new Termination(
                $end->location,
                $end->plans,
                $end->tail,
                Length::metres($random->getInt(0, 1) * 0.2),
                $end->preparation,
                $random->getInt(0, 1),
                $end->leg,
            );
            $requests[] = new RunRequest(
                'A-'.$i,
                'A-'.$i,
                $one->cable,
                $one->signals,
                $one->build,
                $end($one->a),
                $end($one->b),
                ['w-'.$i],
            );
            $ways['w-'.$i] = $random->getInt(40, 60) / 4;
        }
        $way = static fn (string $id, float $metres): Way => new Way(
            $id,
            $id,
            WayKind::Tray,
            Length::metres($metres),
            'here',
            'there',
        );
        $in = Bench::of(...$requests)->with(ways: array_map($way, array_keys($ways), $ways))->installation;
        $in = $in->withWays(array_combine(array_keys($ways), array_map($way, array_keys($ways), $ways)));
        $dealt = array_combine(array_keys($ways), $random->shuffleArray(array_values($ways)));
        $after = $in->withWays(
            array_combine(
                array_keys($dealt),
                array_map(
                    static fn (string $id, float $metres): Way => $way($id, $metres + $random->getInt(-1, 1) * 0.25),
                    array_keys($dealt),
                    $dealt,
                ),
            ),
        );
        $prices = new \Sartal\Core\Given\Installation\Economy(prices: ['pair-foil' => 1.2]);
        [$in, $after] = array_map(
            static fn (Installation $each): Installation => $each->changed(['economy' => $prices]),
            [$in, $after],
        );

        return [$in, $after, (new Crew($in))->cut(...array_map(strval(...), array_keys($in->runs())))->record()];
    }

    /**
     * Every way to deal the pieces out; a run that is too long for its own piece pays nothing but a look.
     *
     * @param  list<string>  $overtaken
     */
    private static function exhaustive(Installation $in, Work $work, array $overtaken): float
    {
        $pieces = (new Pieces($work))->free('pair-foil');
        $rate = $in->economy()->rate / 60;
        $least = INF;
        foreach (self::orders(range(0, count($pieces) - 1)) as $order) {
            $sum = 0.0;
            foreach ($order as $i => $j) {
                [$for, $is] = [$pieces[$i], $pieces[$j]];
                $sum += match (true) {
                    // By hand: 0.3 min to mark and 1 min to measure each piece that moves, 1 min to note slack that is
                    // used up.
                    $is->length->compare($for->needed) >= 0 => $i === $j ? 0.0 : 1.3 * $rate,
                    $is->length->plus($for->reserve)->compare($for->needed) >= 0 => ($i === $j ? 1.0 : 2.3) * $rate,
                    // 1.5 min and 0.05 min a metre to cut, 0.3 min to mark, and the cable.
                    default => (1.8 + 0.05 * $for->planned->inMetres()) * $rate +
                        1.2 * $for->planned->inMetres() +
                        ($i === $j ? 0.0 : 1.3 * $rate),
                };
            }
            $least = min($least, $sum);
        }
        foreach ($overtaken as $run) {
            foreach ($pieces as $piece) {
                // Too long is looked at once, whatever becomes of the others.
                $least += $piece->run === $run && $piece->serves($piece) ? 1.0 * $rate : 0.0;
            }
        }

        return $least;
    }
}
