<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\Rack;
use Sartal\Core\Given\Installation\RackEntry;
use Sartal\Core\Given\Installation\TailCut;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Ways\Looming\Tail;
use Tests\Support\Bench;
use Tests\Support\Site;

/** Tails behind a panel. Source: common practice; the figures are worked by hand from its geometry. */
final class PanelTailsTest extends TestCase
{
    private static function tail(int $row, int $column): Worked
    {
        return Tail::to(Site::panel([]), $row, $column);
    }

    public function test_a_tail_goes_along_to_the_bar_up_out_and_is_dressed(): void
    {
        // Row 1 is 20 mm down, the bar 60 mm, the entry at 0, 60 mm: 30 along, 0 to the bar, 40 up, 70 out, 100 to
        // dress.
        self::assertSame(
            ['30 mm', '0 mm', '40 mm', '70 mm', '100 mm'],
            array_map(static fn ($term): string => $term->amount->canonical(), self::tail(1, 1)->terms),
        );
        self::assertSame('240 mm', self::tail(1, 1)->result->canonical());
        self::assertSame('200 mm', self::tail(2, 1)->result->canonical(), 'row 2 lies on the bar');
        self::assertSame('390 mm', self::tail(1, 4)->result->canonical(), 'three pitches of 50 mm further');
    }

    public function test_it_says_which_bar_a_tail_goes_by_or_that_there_is_none(): void
    {
        $by = static fn (Panel $panel): string => array_column(
            array_map(static fn ($term): array => [$term->label, $term->detail], Tail::to($panel, 1, 1)->terms),
            1,
            0,
        )['to the bar'];
        $panel = Site::panel([]);
        self::assertMatchesRegularExpression('/^from the entry at \S+ mm to the bar at 60 mm$/', $by($panel));
        self::assertSame('no lacing bar', $by(new Panel(...['bars' => []] + get_object_vars($panel))));
    }

    public function test_tails_grow_with_the_distance_from_the_entry(): void
    {
        for ($row = 1; $row <= 3; $row++) {
            for ($column = 2; $column <= 4; $column++) {
                self::assertSame(
                    50_000_000,
                    self::tail($row, $column)->result->minus(self::tail($row, $column - 1)->result)->nanometres,
                );
            }
        }
    }

    public function test_the_middle_rows_are_filled_first(): void
    {
        $order = array_map(static fn (array $place): int => $place[0], Tail::order(Site::panel([])));
        self::assertSame([2, 2, 2, 2, 1, 1, 1, 1, 3, 3, 3, 3], $order);
        self::assertCount(
            12,
            array_unique(
                array_map(static fn (array $place): string => implode('-', $place), Tail::order(Site::panel([]))),
            ),
        );
    }

    private static function bench(TailCut $tails): Bench
    {
        $bench = Site::of(Site::ways(), Site::run('A-1'), Site::run('A-2'));

        return $bench->with(panels: ['p' => Site::panel(['1-1' => 'A-1.b1', '1-4' => 'A-2.b1'], $tails)]);
    }

    public function test_a_group_is_cut_equal_to_the_longest_or_graded(): void
    {
        $length = static fn (Bench $bench, string $run): string => $bench
            ->plan()
            ->layout->lays[$run]->tails['B']['leg-1']->result->canonical();
        self::assertSame(
            ['390 mm', '390 mm'],
            [$length(self::bench(TailCut::Equal), 'A-1'), $length(self::bench(TailCut::Equal), 'A-2')],
        );
        self::assertSame(
            ['240 mm', '390 mm'],
            [$length(self::bench(TailCut::Graded), 'A-1'), $length(self::bench(TailCut::Graded), 'A-2')],
        );
    }

    public function test_the_tail_is_part_of_the_cut_and_so_is_the_climb_in_the_rack(): void
    {
        $without = Site::of(Site::ways(), Site::run('A-1'), Site::run('A-2'))->plan()->runs['A-1']->cut->exact;
        $with = self::bench(TailCut::Graded);
        self::assertSame('240 mm', $with->plan()->runs['A-1']->cut->exact->minus($without)->canonical());
        $racked = $with->with(
            locations: [
                ...$with->installation->locations(),
                'rack' => new \Sartal\Core\Given\Installation\Location(
                    'rack',
                    'Rack',
                    rack: new Rack(42, RackEntry::Bottom, Length::millimetres(400)),
                ),
            ],
            panels: [
                'p' => new \Sartal\Core\Given\Installation\Panel(
                    ...['unit' => 20] + get_object_vars($with->installation->panels()['p']),
                ),
            ],
        );
        // 400 mm across and 20 units of 44.45 mm (IEC 60297-3-100).
        self::assertSame(
            '1289 mm',
            $racked
                ->plan()
                ->runs['A-1']->cut->exact->minus($with->plan()->runs['A-1']->cut->exact)
                ->canonical(),
        );
    }

    public function test_two_places_for_one_fitting_and_an_unknown_one_are_found(): void
    {
        $bench = Site::of(Site::ways(), Site::run('A-1'));
        $codes = static fn (array $places): array => Bench::codes(
            $bench->with(panels: ['p' => Site::panel($places)])->plan()->findings(),
        );
        self::assertContains('panel.twice', $codes(['1-1' => 'A-1.b1', '1-2' => 'A-1.b1']));
        self::assertContains('panel.unknown-fitting', $codes(['1-1' => 'ghost']));
        self::assertNotContains('panel.twice', $codes(['1-1' => 'A-1.b1']));
    }
}
