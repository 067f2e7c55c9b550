<?php

declare(strict_types=1);

namespace Tests\Feature\Given;

use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** The building, looms, cutting, reach and parts, as the browser meets them. */
final class BuildingTest extends TestCase
{
    private const CRAWL = [
        'id' => 'crawl-duct',
        'name' => 'Crawl duct',
        'kind' => 'trunking',
        'length' => '9 m',
        'from' => 'stage-pit',
        'to' => 'rack-room',
    ];

    public function test_a_way_is_looked_at_before_it_is_saved_and_undone_after(): void
    {
        $before = $this->as('planner')->getJson('/api/building')->assertOk();
        $ahead = $this->postJson('/api/building/preview', ['part' => self::CRAWL])->assertOk();
        self::assertSame(7, $ahead->json('routesCount'));
        self::assertContains('A-116', array_column($ahead->json('cuts'), 'code'));
        self::assertSame($before->json('routes'), $this->getJson('/api/building')->json('routes'), 'nothing was saved');
        $saved = $this->putJson('/api/shared/way', ['part' => self::CRAWL])->assertOk();
        self::assertSame($ahead->json('routes'), $saved->json('rerouted.routes'));
        self::assertSame(
            ['to-lectern', 'crawl-duct', 'to-amp-rack-1'],
            $this->getJson('/api/building')->json('routes.A-116'),
        );
        $change = $this->getJson('/api/changes')->json('0');
        $this->postJson('/api/changes/'.$change['id'].'/undo')->assertCreated();
        self::assertSame($before->json('routes'), $this->getJson('/api/building')->json('routes'));
    }

    /**
     * @return iterable<string, array{string, array<string, mixed>, string}> kind, part, path of what is wrong with it
     */
    public static function wrong(): iterable
    {
        yield 'a negative length' => ['way', ['length' => '-2 m'] + self::CRAWL, 'length'];
        yield 'a length that is none' => ['way', ['length' => 'far'] + self::CRAWL, 'length'];
        yield 'an unknown kind' => ['way', ['kind' => 'wormhole'] + self::CRAWL, 'kind'];
        yield 'an inside of nothing' => ['way', ['inner' => ['0 mm']] + self::CRAWL, 'inner[0]'];
        yield 'three sides' => ['way', ['inner' => ['1 mm', '2 mm', '3 mm']] + self::CRAWL, 'inner'];
        yield 'a fill of nothing' => ['way', ['fillLimit' => 0] + self::CRAWL, 'fillLimit'];
        yield 'an unknown environment' => ['way', ['environment' => ['swamp']] + self::CRAWL, 'environment[0]'];
        yield 'a place off the map' => ['junction', ['id' => 'j', 'name' => 'J', 'at' => [1e9, 0]], 'at'];
        yield 'a rack of no units' => [
            'location',
            ['id' => 'r', 'name' => 'R', 'rack' => ['units' => 0]],
            'rack.units',
        ];
        yield 'a panel of no rows' => [
            'tail-panel',
            [
                'id' => 'p',
                'name' => 'P',
                'location' => 'lectern',
                'rows' => 0,
                'columns' => 4,
                'pitch' => '50 mm',
                'rise' => '40 mm',
                'bars' => [],
            ],
            'rows',
        ];
        yield 'a place outside the panel' => [
            'tail-panel',
            [
                'id' => 'p',
                'name' => 'P',
                'location' => 'lectern',
                'rows' => 1,
                'columns' => 4,
                'pitch' => '50 mm',
                'rise' => '40 mm',
                'bars' => [],
                'places' => ['2-1' => 'x'],
            ],
            'places.2-1',
        ];
        yield 'ties everywhere' => ['loom', ['id' => 'L9', 'name' => 'L9', 'tieEvery' => '0 mm'], 'tieEvery'];
        yield 'an empty reel' => ['reel', ['id' => 'R-99', 'cable' => 'pair-foil', 'length' => '0 m'], 'length'];
    }

    /** @param  array<string, mixed>  $part */
    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_named_and_nothing_is_saved(string $kind, array $part, string $path): void
    {
        $count = DB::table('parts')->count();
        $answer = $this->as('planner')
            ->putJson('/api/shared/'.$kind, ['part' => $part])
            ->assertUnprocessable();
        self::assertContains($path, array_column($answer->json('problems'), 'path'), (string) $answer->getContent());
        self::assertSame($count, DB::table('parts')->count());
    }

    public function test_a_stale_write_shows_both_versions_of_a_loom(): void
    {
        $part = $this->as('planner')->getJson('/api/looms/L1')->json('part');
        $this->putJson('/api/shared/loom', ['part' => ['tieEvery' => '250 mm'] + $part, 'version' => 1])->assertOk();
        $stale = $this->putJson('/api/shared/loom', [
            'part' => ['tieEvery' => '400 mm'] + $part,
            'version' => 1,
        ])->assertConflict();
        self::assertSame(['400 mm', '250 mm'], [$stale->json('yours.tieEvery'), $stale->json('theirs.tieEvery')]);
    }

    public function test_a_moved_breakout_says_what_it_does_to_cuts_and_reels_before_it_is_kept(): void
    {
        $loom = $this->as('planner')->getJson('/api/looms/L4')->assertOk();
        $part =
            ['breakouts' => [['at' => 'gallery-end', 'into' => 'barrage-conduit', 'by' => '1 m']]] +
            $loom->json('part');
        $ahead = $this->postJson('/api/looms/L4/preview', ['part' => $part])->assertOk();
        self::assertSame([['code' => 'A-119', 'was' => '66850 mm', 'is' => '68850 mm']], $ahead->json('rerouted.cuts'));
        self::assertSame('66850 mm', $this->getJson('/api/runs/A-119')->json('cut'), 'nothing was saved');
        $this->putJson('/api/shared/loom', ['part' => $part, 'version' => $loom->json('version')])->assertOk();
        self::assertSame('68850 mm', $this->getJson('/api/runs/A-119')->json('cut'));
        $cuts = array_merge(
            ...array_map(
                static fn (array $cable): array => array_merge(...array_column($cable['assigned'], 'cuts'), ...[[]]),
                $this->getJson('/api/cutting')->json('cables'),
            ),
        );
        self::assertContains(
            ['A-119', '68850 mm'],
            array_map(static fn (array $cut): array => [$cut['code'], $cut['length']], $cuts),
            'the picture and the cut list say the same',
        );
    }

    private const CUT = [
        'id' => '00000000-0000-4000-a000-00000000c001',
        'kind' => 'cut',
        'run' => 'A-122',
        'at' => '2026-03-09T08:00:00Z',
    ];

    public function test_a_miscut_is_recorded_once_and_the_rest_is_planned_again(): void
    {
        $first = $this->as('bench')
            ->postJson(
                '/api/events',
                self::CUT + ['cut' => ['length' => '35.7 m', 'reel' => 'R-02', 'from' => 214, 'to' => 178.3]],
            )
            ->assertCreated();
        self::assertSame([], $first->json('replanned.moved'), 'the reel still holds the others');
        self::assertSame('failed', $first->json('strand.0.state'));
        $again = $this->postJson(
            '/api/events',
            self::CUT + ['cut' => ['length' => '35.7 m', 'reel' => 'R-02', 'from' => 214, 'to' => 178.3]],
        )->assertOk();
        self::assertFalse($again->json('new'));
        $cutting = $this->getJson('/api/cutting');
        self::assertCount(1, $cutting->json('recorded'));
        $pair = collect($cutting->json('cables'))->firstWhere('id', 'pair-foil');
        $reel = collect($pair['assigned'])->firstWhere('stock.id', 'R-02');
        self::assertSame(['178300 mm', 178.3], [$reel['stock']['left'], $reel['stock']['marks']['at']]);
        self::assertContains('A-122', array_column($reel['cuts'], 'code'), 'it is cut again');
        self::assertContains('piece', array_column($pair['untouched'], 'kind'), 'and its piece is on the shelf');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function impossible(): iterable
    {
        yield 'more than the reel has' => [['length' => '400 m', 'reel' => 'R-02'], 'length'];
        yield 'off another cable' => [['length' => '30 m', 'reel' => 'R-03'], 'reel'];
        yield 'off no such reel' => [['length' => '30 m', 'reel' => 'R-99'], 'reel'];
        yield 'nothing' => [['length' => '0 m', 'reel' => 'R-02'], 'length'];
    }

    /** @param  array<string, mixed>  $cut */
    #[DataProvider('impossible')]
    public function test_a_cut_that_cannot_have_been_is_refused_with_a_remedy(array $cut, string $field): void
    {
        $answer = $this->as('bench')
            ->postJson('/api/events', self::CUT + ['cut' => $cut])
            ->assertUnprocessable();
        self::assertNotSame([], $answer->json('errors.'.$field) ?? $answer->json('problems'));
        self::assertSame([], $this->getJson('/api/cutting')->json('recorded'));
    }

    public function test_a_reel_that_was_cut_from_stays_and_a_bench_may_enter_one(): void
    {
        $this->as('bench')
            ->putJson('/api/reels', ['part' => ['id' => 'R-50', 'cable' => 'star-quad', 'length' => '100 m']])
            ->assertOk();
        $this->postJson(
            '/api/events',
            ['run' => 'A-119', 'cut' => ['length' => '67 m', 'reel' => 'R-50']] + self::CUT,
        )->assertCreated();
        $this->deleteJson('/api/reels/R-50', ['version' => 1])->assertUnprocessable();
        $this->putJson('/api/shared/way', ['part' => self::CRAWL])->assertForbidden();
        $this->as('tester')
            ->putJson('/api/reels', ['part' => ['id' => 'R-51', 'cable' => 'star-quad', 'length' => '100 m']])
            ->assertForbidden();
    }

    public function test_parts_of_everything_a_loom_an_assembly_and_an_order(): void
    {
        $needed = fn (string $scope, string $id): ?array => collect(
            $this->as('planner')
                ->getJson('/api/parts?scope='.$scope)
                ->assertOk()
                ->json('lines'),
        )->firstWhere('id', $id);
        self::assertSame('72 pcs', $needed('installation', 'contact-rect-male-fine')['needed']['text'] ?? null);
        self::assertSame('72 pcs', $needed('loom:L1', 'contact-rect-male-fine')['needed']['text'] ?? null);
        self::assertNull($needed('loom:L3', 'contact-rect-male-fine'));
        self::assertSame('2 pcs', $needed('assembly:V-401', 'bnc75-plug')['needed']['text'] ?? null);
        self::assertSame('4 pcs', $needed('runs:V-404,V-405', 'bnc75-plug')['needed']['text'] ?? null);
        $this->getJson('/api/parts?scope=loom:none')->assertNotFound();
    }

    public function test_what_a_circuit_is_asked_for_changes_its_reach_and_stays_when_nobody_speaks_of_it(): void
    {
        $reach = fn (): array => $this->as('planner')->getJson('/api/runs/V-405')->assertOk()->json('reach.0');
        self::assertSame('20 dB', $reach()['limit']['text'], 'planned as 3G');
        $circuit = ['name' => 'V-405', 'topology' => 'point-to-point', 'version' => 1];
        $this->patchJson('/api/circuits/V-405.c1', $circuit + ['demand' => ['rate' => '12G']])->assertOk();
        self::assertSame('40 dB', $reach()['limit']['text']);
        $this->patchJson(
            '/api/circuits/V-405.c1',
            ['name' => 'Lectern picture', 'version' => 2] + $circuit,
        )->assertOk();
        self::assertSame(['Lectern picture', '40 dB'], [$reach()['name'], $reach()['limit']['text']]);
        $this->patchJson('/api/circuits/V-405.c1', $circuit + ['demand' => ['rate' => 'warp']])->assertUnprocessable();
        $this->patchJson('/api/circuits/V-405.c1', $circuit + ['demand' => ['load' => -4]])->assertUnprocessable();
        self::assertContains(
            'check',
            array_column($this->getJson('/api/runs/L-501')->json('findings'), 'severity'),
            'what does not reach is told on the run as well',
        );
    }

    public function test_a_price_is_typed_in_undone_and_guarded_in_the_csv(): void
    {
        $parts = $this->as('lead')->getJson('/api/parts?scope=installation');
        $economy = $parts->json('economy');
        $this->putJson('/api/economy', [
            'economy' => ['currency' => '=EUR', 'rate' => 60] + $economy,
            'version' => $parts->json('version'),
        ])->assertOk();
        self::assertSame('=EUR', $this->getJson('/api/parts?scope=installation')->json('currency'));
        $this->putJson('/api/economy', [
            'economy' => ['rate' => -1] + $economy,
            'version' => $parts->json('version') + 1,
        ])->assertUnprocessable();
        $this->putJson('/api/economy', ['economy' => $economy, 'version' => 1])->assertConflict();
        $this->postJson('/api/changes/'.$this->getJson('/api/changes')->json('0.id').'/undo')->assertCreated();
        self::assertSame('EUR', $this->getJson('/api/parts?scope=installation')->json('currency'));
        $csv = (string) $this->get('/api/parts.csv?scope=installation')->assertOk()->getContent();
        self::assertStringContainsString('24-pair multicore', $csv);
        self::assertDoesNotMatchRegularExpression('~(?:^|,)"?[=+@]~m', $csv);
    }

    public function test_a_file_brings_building_looms_reels_and_economy_and_gives_them_back(): void
    {
        $file = $this->as('lead')->getJson('/api/installation.json')->assertOk()->json();
        self::assertSame(
            [32, 9, 1, 4, 10],
            [
                count($file['ways']),
                count($file['junctions']),
                count($file['panels']),
                count($file['looms']),
                count($file['reels']),
            ],
        );
        self::assertSame('EUR', $file['economy']['currency']);
        $demo = json_decode((string) file_get_contents(database_path('demo/brackwater.json')), true);
        foreach (['ways', 'junctions', 'panels', 'looms', 'reels', 'economy', 'locations'] as $list) {
            self::assertEquals($demo[$list], $file[$list], $list);
        }
    }

    public function test_the_same_few_queries_for_the_whole_building(): void
    {
        $queries = 0;
        DB::listen(static function () use (&$queries): void {
            $queries++;
        });
        foreach (['building', 'looms', 'cutting', 'reach', 'parts'] as $path) {
            // To keep what was made takes some as well, the first time.
            foreach ([64, 16] as $most) {
                $queries = 0;
                $this->as('planner')
                    ->getJson('/api/'.$path)
                    ->assertOk();
                self::assertLessThan($most, $queries, $path);
            }
        }
    }

    public function test_printed_pages_say_what_the_screen_says(): void
    {
        $text = fn (string $path): string => $this->pdf(
            (string) $this->as('bench')->get($path)->assertOk()->getContent(),
        );
        $list = $text('/api/cutting/cut-list.pdf');
        self::assertStringContainsString('A-119', $list);
        self::assertStringContainsString('66.85 m', $list);
        self::assertStringContainsString('176.5', $list, 'marks at both ends');
        $board = $text('/api/looms/L1/formboard.pdf');
        self::assertStringContainsString('L1 under-stage', $board);
        self::assertStringContainsString('100 mm', $board, 'a bar to check the scale by');
        self::assertStringContainsString('straight for', $board, 'what is left out is said');
    }

    private function pdf(string $bytes): string
    {
        $text = new Process(['pdftotext', '-layout', '-', '-'], input: $bytes);
        $text->mustRun();

        return $text->getOutput();
    }
}
