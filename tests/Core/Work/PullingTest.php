<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\AsBuilt;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Ways\Routing\PullRule;
use Sartal\Core\Work\Pulling\Pull;
use Sartal\Core\Work\Pulling\PullPlanner;
use Sartal\Core\Work\Pulling\SiteState;
use Sartal\Core\Work\Pulling\SiteStep;
use Tests\Support\Bench;
use Tests\Support\Crew;
use Tests\Support\Site;

/** What is pulled together, how hard, and how far it has come. */
final class PullingTest extends TestCase
{
    /** @return list<Pull> */
    private static function pulls(Bench $bench): array
    {
        return (new PullPlanner($bench->installation, (new Planner())->plan($bench->installation)))->pulls();
    }

    public function test_tension_is_what_the_type_says_110_newtons_for_four_pairs_else_50_for_each_square_mm(): void
    {
        $cables = ShippedCatalogue::load()->cables();
        // TIA-568: 110 N for four-pair cable.
        self::assertSame(110.0, PullRule::for($cables['cat6-utp'])->newtons);
        // Common practice: 50 N/mm². Two cores of 24 AWG, 0.2047 mm² each (ASTM B258).
        self::assertEqualsWithDelta(
            ((50 * 2 * M_PI) / 4) * (0.127 * 92 ** (12 / 39)) ** 2,
            PullRule::for($cables['pair-foil'])->newtons,
            0.5,
        );
        $own = new CableType(...['pull' => 300.0] + self::parts($cables['cat6-utp']));
        self::assertSame(300.0, PullRule::for($own)->newtons);
        // The weakest of a bundle decides.
        self::assertSame(110.0, PullRule::among([$own, $cables['cat6-utp']])->value);
    }

    /** @return array<string, mixed> */
    private static function parts(CableType $cable): array
    {
        return array_intersect_key(
            get_object_vars($cable),
            array_flip(['id', 'name', 'family', 'prefix', 'outerDiameter', 'sheath', 'construction', 'category']),
        );
    }

    public function test_cables_of_one_way_are_one_pull_whichever_end_they_begin_at_the_longest_way_first(): void
    {
        $bench = Site::of(
            Site::ways(),
            Site::run('A-1'),
            Site::run('A-2', 'rack', 'left'),
            Site::run('A-3', 'right'),
            Site::run('A-4', 'cellar'),
        );
        $pulls = self::pulls($bench);
        self::assertSame(
            [['A-3'], ['A-1', 'A-2'], ['A-4']],
            array_map(static function (Pull $pull): array {
                $runs = $pull->runs;
                sort($runs);

                return $runs;
            }, $pulls),
            'to the right 16 m, to the left 14 m, down the riser 3 m',
        );
        self::assertSame(
            ['16000 mm', '14000 mm', '3000 mm'],
            array_map(static fn (Pull $pull): string => $pull->length->canonical(), $pulls),
        );
    }

    public function test_mains_is_pulled_by_itself_and_last(): void
    {
        $mains = Bench::request(
            'P-1',
            'composite',
            ['mains', 'analogue'],
            ['power-in-cable-mains', 'xlr3-female-cable-balanced'],
            ['power-out-cable-mains', 'xlr3-male-cable-balanced'],
        );
        $bench = Bench::of(
            $mains,
            Bench::request(
                'A-1',
                'pair-foil',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        );
        $pulls = self::pulls($bench);
        self::assertSame([false, true], array_map(static fn (Pull $pull): bool => $pull->mains, $pulls));
        self::assertSame(['P-1'], $pulls[1]->runs);
    }

    public function test_after_four_quarter_bends_one_pulls_through_and_begins_again(): void
    {
        $tube = static fn (
            string $id,
            string $from,
            string $to,
            int $bends,
        ): \Sartal\Core\Given\Installation\Way => Site::way(
            $id,
            WayKind::Conduit,
            5,
            $from,
            $to,
            Bore::round(Length::millimetres(40)),
            bends: $bends,
        );
        $stops = static fn (int $first, int $second, int $third = 0): array => self::pulls(
            Site::of(
                [
                    'a' => $tube('a', 'rack', 'hall', $first),
                    'b' => $tube('b', 'hall', 'cellar', $second),
                    'c' => $tube('c', 'cellar', 'left', $third),
                ],
                Site::run('A-1'),
            ),
        )[0]->stops;
        // 360° between two places to pull from (NEC 358.26, from memory).
        self::assertSame([], $stops(2, 2));
        self::assertCount(1, $stops(3, 2));
        self::assertStringContainsString('pull through at Hall', $stops(3, 2)[0]);
        self::assertStringContainsString('wants a pull box', $stops(5, 0)[0]);
        self::assertCount(1, $stops(3, 2, 2), 'Behind a place to pull from it is counted anew.');
        self::assertCount(2, $stops(3, 2, 3));
    }

    public function test_the_end_with_the_smaller_connectors_goes_first(): void
    {
        $pull = self::pulls(
            Bench::of(
                Bench::request(
                    'M-1',
                    'multicore-24',
                    ['analogue'],
                    ['xlr3-female-cable-balanced'],
                    ['rect90-male-24ch'],
                ),
            ),
        )[0];
        self::assertSame('A', $pull->leads['M-1'], 'A 3-pole connector is narrower than a 90-way one.');
    }

    public function test_steps_follow_from_what_was_recorded_and_from_where_ends_are_made(): void
    {
        $in = Bench::category()->installation;
        $site = $in->withRun(new Run(...['build' => Build::Site] + get_object_vars($in->runs()['C-1'])));
        self::assertSame(
            [
                SiteStep::PaidOut,
                SiteStep::Labelled,
                SiteStep::Pulled,
                SiteStep::Dressed,
                SiteStep::Trimmed,
                SiteStep::EndA,
                SiteStep::EndB,
                SiteStep::Tested,
            ],
            SiteStep::for(Build::Site),
        );
        $crew = (new Crew($site))
            ->cut('C-1')
            ->each(['C-1'], EventKind::Labelled)
            ->each(['C-1'], EventKind::Pulled);
        $plan = (new Planner())->plan($site, $crew->record());
        $state = SiteState::read($site->runs()['C-1']->build, $crew->record()->of('C-1'), $plan->fingerprints('C-1'));
        self::assertSame(SiteStep::Dressed, $state->next());

        // It lies in another way now: pulled, but not where it belongs.
        $moved = $site->withRun(new Run(...['ways' => []] + get_object_vars($site->runs()['C-1'])))->withWays([
            'tray' => $in->ways()['tray'],
            'short' => Site::way('short', WayKind::Tray, 2, 'here', 'there'),
        ]);
        $elsewhere = SiteState::read(
            $moved->runs()['C-1']->build,
            $crew->record()->of('C-1'),
            (new Planner())->plan($moved)->fingerprints('C-1'),
        );
        self::assertSame(BeadState::Overtaken, $elsewhere->steps['pulled']);

        // Cut again, it has been pulled nowhere.
        self::assertSame(
            SiteStep::Pulled,
            SiteState::read(
                $site->runs()['C-1']->build,
                $crew->cut('C-1')->record()->of('C-1'),
                $plan->fingerprints('C-1'),
            )->next(),
        );
    }

    public function test_what_is_made_at_the_bench_is_pulled_once_it_is_made(): void
    {
        $in = Bench::microphone()->installation;
        $ready = static function (Crew $crew) use ($in): bool {
            return SiteState::isReady(
                $in->runs()['A-1']->build,
                (new Planner())->plan($in, $crew->record())->strand('A-1'),
            );
        };
        self::assertFalse($ready((new Crew($in))->cut('A-1')));
        self::assertTrue($ready((new Crew($in))->cut('A-1')->terminate('A-1')));
    }

    public function test_the_last_word_on_how_it_lies_is_kept_until_it_is_cut_again(): void
    {
        $in = Bench::microphone()->installation;
        $plan = (new Planner())->plan($in);
        $event = static fn (int $i, EventKind $kind, ?AsBuilt $built): Event => new Event(
            '00000000-0000-4000-8000-00000000000'.$i,
            $kind,
            'A-1',
            null,
            'x',
            '2026-03-09T08:00:0'.$i.'Z',
            '2026-03-09T08:00:0'.$i.'Z',
            '',
            says: $built,
        );
        $of = static fn (Event ...$events): SiteState => SiteState::read(
            $in->runs()['A-1']->build,
            array_values($events),
            $plan->fingerprints('A-1'),
        );
        $state = $of(
            $event(1, EventKind::Pulled, new AsBuilt(null, ['tray'])),
            $event(2, EventKind::Dressed, null),
            $event(3, EventKind::Installed, new AsBuilt(Length::metres(12), null)),
        );
        self::assertSame(['tray'], $state->built?->ways);
        self::assertSame('-400 mm', $state->difference(Length::metres(12.4))?->canonical());
        self::assertNull(
            $of($event(1, EventKind::Pulled, new AsBuilt(Length::metres(12))), $event(2, EventKind::Cut, null))->built,
        );
    }

    public function test_what_goes_between_two_places_is_pulled_one_way_whichever_end_is_which(): void
    {
        $pulls = self::pulls(
            Site::of(Site::ways(), Site::run('A-1', 'left', 'rack'), Site::run('A-2', 'rack', 'left')),
        );
        self::assertCount(1, $pulls);
        self::assertSame(['left', 'rack'], [$pulls[0]->from, $pulls[0]->to], 'by their names');
        self::assertSame(['to-left', 'tray'], $pulls[0]->ways, 'in the order in which they are come to');
        self::assertEqualsCanonicalizing(['A-1', 'A-2'], $pulls[0]->runs);
    }
}
