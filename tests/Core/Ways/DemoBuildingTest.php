<?php

declare(strict_types=1);

namespace Tests\Core\Ways;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Ways\Dressing\LoomDress;
use Sartal\Core\Ways\Looming\Packing\MemoryPackings;
use Sartal\Core\Ways\Routing\Cargo;
use Sartal\Core\Ways\Routing\Permit;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\Cuts;
use Sartal\Core\Work\Cutting\Replanned;
use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\PartsLine;
use Sartal\Core\Work\Parts\PartsPlanner;
use Sartal\Core\Work\Parts\Sort;

/** What has to hold of every building, tried on the demo's: pictures, lists and sums say the same. */
final class DemoBuildingTest extends TestCase
{
    private static ?InstallationFile $file = null;

    private static ?Plan $plan = null;

    private static function in(): Installation
    {
        self::$file ??= InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        );

        return self::$file->installation;
    }

    private static function plan(): Plan
    {
        return self::$plan ??= (new Planner())->plan(self::in(), self::record());
    }

    private static function record(): Record
    {
        self::in();

        return self::$file->record ?? new Record();
    }

    /** @return array<string, LoomDress> */
    private static function dresses(): array
    {
        return array_map((new Dresser(self::in(), new MemoryPackings()))->dress(...), self::plan()->layout->looms);
    }

    public function test_every_way_of_every_run_lets_its_cable_in_and_leads_from_end_to_end(): void
    {
        foreach (self::in()->runs() as $id => $run) {
            $route = self::plan()->layout->routes[$id];
            $at = $run->a->location;
            foreach ($route->hops as $hop) {
                self::assertNull(
                    Permit::refusal($hop->way, Cargo::from(self::in()->catalogue->cables()[$run->cable])),
                    $run->code.' in '.$hop->way->name,
                );
                self::assertSame($at, $hop->from);
                $at = $hop->to;
            }
            self::assertSame($run->b->location, $at, $run->code);
        }
    }

    public function test_what_lies_in_a_way_is_who_goes_through_it(): void
    {
        $through = 0;
        foreach (self::plan()->ways->all() as $id => $load) {
            $runs = array_keys(
                array_filter(
                    self::plan()->layout->routes,
                    static fn ($route): bool => in_array($id, $route->ways(), true),
                ),
            );
            self::assertEqualsCanonicalizing($runs, $load->runs, $id);
            self::assertSame(count($load->runs), array_sum($load->families), $id);
            $through += count($runs);
        }
        self::assertGreaterThan(150, $through);
    }

    public function test_the_ways_of_a_sum_are_the_ways_of_the_map(): void
    {
        foreach (self::plan()->runs as $id => $run) {
            $ways = array_sum(
                array_map(
                    static fn (string $way): int => self::in()->ways()[$way]->length->nanometres,
                    self::plan()->layout->routes[$id]->ways(),
                ),
            );
            self::assertSame($ways, $run->cut->terms[0]->amount->nanometres, (string) $id);
            self::assertSame(
                $run->cut->exact->nanometres,
                array_sum(array_map(static fn ($term): int => $term->amount->nanometres, $run->cut->terms)),
            );
            self::assertLessThanOrEqual($run->cut->result->nanometres, $run->cut->exact->nanometres);
        }
    }

    public function test_members_of_a_segment_go_through_its_way_and_are_packed_as_they_are(): void
    {
        foreach (self::dresses() as $dress) {
            foreach ($dress->segments as $made) {
                foreach ($made->segment->members as $run) {
                    self::assertContains($made->segment->way->id, self::plan()->layout->routes[$run]->ways());
                }
                $diameters = array_map(
                    static fn ($cable): float => $cable->outerDiameter->inMillimetres(),
                    $made->cables,
                );
                self::assertEqualsWithDelta(
                    array_sum($diameters),
                    2 * array_sum(array_map(static fn ($circle): float => $circle->r, $made->packing->circles)),
                    1e-6,
                );
                self::assertGreaterThanOrEqual(max($diameters) - 1e-6, $made->packing->diameter);
                self::assertLessThanOrEqual(array_sum($diameters) + 1e-6, $made->packing->diameter);
            }
            self::assertSame([], $dress->findings, $dress->shape->loom->name);
        }
    }

    public function test_each_cut_is_off_one_reel_at_the_length_of_its_sum(): void
    {
        $seen = [];
        foreach (Cuts::plan(CutFacts::of(self::in(), self::plan()), self::record())->cables as $cable => $plan) {
            foreach ($plan->assigned as $assigned) {
                foreach ($assigned->cuts as $cut) {
                    self::assertSame(self::plan()->runs[$cut->run]->cut->result->nanometres, $cut->length->nanometres);
                    self::assertSame($cable, self::in()->runs()[$cut->run]->cable);
                    self::assertArrayNotHasKey($cut->run, $seen);
                    $seen[$cut->run] = true;
                }
            }
        }
        $cut = array_filter(
            array_keys(self::in()->runs()),
            static fn (string $run): bool => array_filter(
                self::record()->of($run),
                static fn ($event): bool => $event->kind->value === 'cut',
            ) !== [],
        );
        self::assertEqualsCanonicalizing(
            array_values(array_diff(array_keys(self::in()->runs()), $cut)),
            array_keys($seen),
        );
    }

    public function test_a_plan_beside_itself_is_no_change_and_two_plans_are_each_others_inverse(): void
    {
        $now = Cuts::plan(CutFacts::of(self::in(), self::plan()), self::record());
        self::assertTrue(Replanned::between($now, $now)->isNothing());
        $reels = self::in()->reels();
        unset($reels['R-02'], $reels['O-12']);
        $fewer = self::in()->changed(['reels' => $reels]);
        $then = Cuts::plan(CutFacts::of($fewer, self::plan()), self::record());
        [$there, $back] = [Replanned::between($now, $then), Replanned::between($then, $now)];
        self::assertFalse($there->isNothing());
        $turned = array_map(
            static fn (array $each): array => ['run' => $each['run'], 'from' => $each['to'], 'to' => $each['from']],
            $back->moved,
        );
        self::assertEqualsCanonicalizing($there->moved, $turned);
        foreach ($there->bought as $cable => $more) {
            self::assertSame(-$more, $back->bought[$cable]);
        }
    }

    /** @return array<string, PartsLine> */
    private static function lines(string ...$runs): array
    {
        $lines = [];
        foreach (PartsPlanner::planned(self::in(), self::plan())->list(array_values($runs))->lines as $line) {
            $lines[$line->sort->value.' '.$line->id] = $line;
        }

        return $lines;
    }

    public function test_parts_of_two_orders_are_the_parts_of_both_in_one(): void
    {
        foreach ([['M-201', 'A-114'], ['V-401', 'V-404'], ['C-418', 'D-031'], ['P-007', 'L-501']] as [$one, $other]) {
            [$a, $b, $both] = [self::lines($one), self::lines($other), self::lines($one, $other)];
            foreach ($both as $key => $line) {
                self::assertEqualsWithDelta(
                    ($a[$key]->needed->value ?? 0.0) + ($b[$key]->needed->value ?? 0.0),
                    $line->needed->value,
                    1e-9,
                    $key,
                );
                self::assertLessThanOrEqual(
                    ($a[$key]->packs ?? 0) + ($b[$key]->packs ?? 0),
                    $line->packs,
                    'packs are rounded up once, so never more than apart',
                );
            }
            self::assertCount(count($a + $b), $both);
        }
    }

    public function test_packs_hold_what_is_short_and_not_a_pack_more(): void
    {
        foreach (self::lines(...array_map(strval(...), array_keys(self::in()->runs()))) as $key => $line) {
            if ($line->sort === Sort::Cable) {
                continue;
            }
            self::assertGreaterThanOrEqual($line->short - 1e-6, $line->packs * $line->pack, $key);
            self::assertLessThan($line->short + $line->pack, $line->packs * $line->pack + 1e-6, $key);
            self::assertEqualsWithDelta(
                max(0.0, $line->needed->value + $line->spares - $line->returned - $line->stock),
                $line->short,
                1e-9,
                $key,
            );
        }
    }

    public function test_every_fitting_at_the_end_of_a_run_is_bought_once(): void
    {
        $asks = PartsPlanner::planned(self::in(), self::plan())->asks(
            array_map(strval(...), array_keys(self::in()->runs())),
        );
        $bought = count(array_filter($asks, static fn (Ask $ask): bool => $ask->sort === Sort::Connector));
        $landed = [];
        foreach (self::in()->runs() as $run) {
            foreach (Side::cases() as $side) {
                foreach ($run->end($side)->legs as $leg) {
                    if ($leg->landing !== null) {
                        $landed[$leg->landing->fitting] =
                            1 + count(self::in()->fittings()[$leg->landing->fitting]->inserts);
                    }
                }
            }
        }
        self::assertSame(array_sum($landed), $bought, 'with the inserts of modular ones');
        $labels = array_sum(self::plan()->runs->map(static fn ($run): int => count($run->labels)));
        self::assertSame(
            (float) $labels,
            array_sum(
                array_map(
                    static fn (Ask $ask): float => str_contains($ask->for, ', label ') ? $ask->amount : 0.0,
                    $asks,
                ),
            ),
            'one label for each text that is printed',
        );
    }

    public function test_cable_is_needed_as_long_as_all_its_cuts(): void
    {
        $sums = [];
        foreach (self::in()->runs() as $id => $run) {
            $sums[$run->cable] = ($sums[$run->cable] ?? Length::zero())->plus(self::plan()->runs[$id]->cut->result);
        }
        $lines = self::lines(...array_map(strval(...), array_keys(self::in()->runs())));
        foreach ($sums as $cable => $sum) {
            self::assertEqualsWithDelta($sum->inMetres(), $lines['cable '.$cable]->needed->value, 1e-6);
        }
    }
}
