<?php

declare(strict_types=1);

namespace Tests\Feature\Ways;

use App\Planning\Kept;
use App\Planning\KeptPackings;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Sartal\Core\Ways\Looming\Packing\Packer;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Looms, formboards, cut lists and parts as files, and who may do what with them. */
final class LoomsTest extends TestCase
{
    public function test_the_list_says_what_each_loom_is_and_the_page_how_it_comes_about(): void
    {
        $looms = collect($this->as('installer')->getJson('/api/looms')->assertOk()->json('looms'))->keyBy('id');
        self::assertSame(
            [6, 'sleeve', 'Amplifier rack 1'],
            [$looms['L1']['members'], $looms['L1']['covering'], $looms['L1']['root']],
        );
        $loom = $this->getJson('/api/looms/L1')->assertOk();
        $thickest = collect($loom->json('segments'))->max(
            static fn (array $segment): float => $segment['diameter']['value'],
        );
        self::assertEqualsWithDelta($looms['L1']['thickest']['value'], $thickest, 1e-9);
        foreach ($loom->json('segments') as $segment) {
            self::assertCount(count($segment['members']), $segment['circles']);
            self::assertNotSame([], $segment['diameter']['terms']);
        }
        // The cut of a member is the run's own, sum and all.
        foreach ($loom->json('members') as $member) {
            self::assertSame($this->getJson('/api/runs/'.$member['id'])->json('worked'), $member['cut']);
        }
        $this->getJson('/api/looms/none')->assertNotFound();
    }

    public function test_offsets_run_from_the_root_to_the_last_end(): void
    {
        $csv = (string) $this->as('bench')->get('/api/looms/L4/offsets.csv')->assertOk()->getContent();
        $rows = array_map(
            static fn (string $line): array => str_getcsv($line, ',', '"', ''),
            array_slice(explode("\r\n", trim($csv)), 1),
        );
        $at = array_map(static fn (array $row): float => (float) $row[0], $rows);
        self::assertSame($at, collect($at)->sort()->values()->all());
        $end = collect($this->getJson('/api/looms/L4')->json('segments'))->max(
            static fn (array $segment): float => (float) $segment['end'],
        );
        self::assertEqualsWithDelta($end / 1000, max($at), 1e-3);
        self::assertCount(
            10,
            array_filter($rows, static fn (array $row): bool => str_starts_with($row[1] ?? '', 'leaves')),
            'both ends of five members',
        );
    }

    public function test_the_formboard_is_at_full_size(): void
    {
        $pdf = (string) $this->as('bench')->get('/api/looms/L1/formboard.pdf')->assertOk()->getContent();
        $info = new Process(['pdfinfo', '-'], input: $pdf);
        $info->mustRun();
        self::assertMatchesRegularExpression(
            '~Page size:\s+841\.\d+ x 595\.\d+ pts~',
            $info->getOutput(),
            'A4 across: 297 by 210 mm',
        );
        // A tie every 300 mm at most: on a page of 250 mm the ties of one bundle are that far apart on paper.
        $text = new Process(['pdftotext', '-layout', '-', '-'], input: $pdf);
        $text->mustRun();
        self::assertStringContainsString('Print without scaling', $text->getOutput());
        $inches = (string) $this->get('/api/looms/L1/formboard.pdf?units=inch')->assertOk()->getContent();
        $text = new Process(['pdftotext', '-layout', '-', '-'], input: $inches);
        $text->mustRun();
        self::assertStringContainsString(' in ', $text->getOutput());
    }

    public function test_the_cut_list_holds_every_cut_that_the_screen_shows(): void
    {
        $text = new Process(
            ['pdftotext', '-layout', '-', '-'],
            input: (string) $this->as('bench')->get('/api/cutting/cut-list.pdf')->assertOk()->getContent(),
        );
        $text->mustRun();
        $cuts = 0;
        foreach ($this->getJson('/api/cutting')->json('cables') as $cable) {
            foreach ($cable['assigned'] as $assigned) {
                foreach ($assigned['cuts'] as $cut) {
                    self::assertMatchesRegularExpression(
                        sprintf(
                            '~%s\s+%s m~',
                            preg_quote($cut['code'], '~'),
                            preg_quote(number_format((float) $cut['length'] / 1000, 2, '.', ''), '~'),
                        ),
                        $text->getOutput(),
                    );
                    $cuts++;
                }
            }
        }
        self::assertGreaterThan(20, $cuts);
    }

    public function test_parts_as_csv_are_the_parts_of_the_page(): void
    {
        $lines = $this->as('planner')->getJson('/api/parts?scope=loom:L3')->json('lines');
        $csv = (string) $this->get('/api/parts.csv?scope=loom:L3')->assertOk()->getContent();
        $rows = array_map(
            static fn (string $line): array => str_getcsv($line, ',', '"', ''),
            array_slice(explode("\r\n", trim($csv)), 1),
        );
        self::assertCount(count($lines), $rows);
        foreach ($lines as $i => $line) {
            self::assertSame([$line['id'], $line['packs']], [$rows[$i][1], (int) $rows[$i][11]]);
            self::assertEqualsWithDelta($line['needed']['value'], (float) $rows[$i][4], 1e-3);
        }
    }

    public function test_an_order_of_what_is_left_asks_for_no_more_than_the_whole(): void
    {
        $whole = collect($this->as('planner')->getJson('/api/parts?scope=installation')->json('lines'))->keyBy('id');
        foreach ($this->getJson('/api/parts?scope=installation&left=1')->json('lines') as $line) {
            self::assertLessThanOrEqual(
                $whole[$line['id']]['needed']['value'] + 1e-9,
                $line['needed']['value'],
                $line['name'],
            );
        }
        self::assertSame('24 pcs', $whole['8p8c-jack-screened']['needed']['text']);
    }

    public function test_looms_part_by_part_make_up_their_runs(): void
    {
        $this->as('planner');
        $pieces = fn (string $scope): float => collect($this->getJson('/api/parts?scope='.$scope)->json('lines'))
            ->where('sort', 'connector')
            ->sum(static fn (array $line): float => $line['needed']['value']);
        $members = collect($this->getJson('/api/looms/L1')->json('members'))
            ->pluck('id')
            ->implode(',');
        self::assertSame(
            $pieces('loom:L1'),
            $pieces('runs:'.$members),
            'a loom adds sleeve and ties, not connectors',
        );
    }

    /** @return iterable<string, array{string, string, string}> role, method, path */
    public static function refused(): iterable
    {
        foreach (['bench', 'installer', 'tester'] as $role) {
            yield $role.' moves a breakout' => [$role, 'PUT', '/api/shared/loom'];
            yield $role.' draws a way' => [$role, 'PUT', '/api/shared/way'];
            yield $role.' looks ahead' => [$role, 'POST', '/api/looms/L1/preview'];
            yield $role.' sets prices' => [$role, 'PUT', '/api/economy'];
            yield $role.' removes a panel' => [$role, 'DELETE', '/api/shared/tail-panel/split'];
        }
        yield 'installer enters a reel' => ['installer', 'PUT', '/api/reels'];
    }

    #[DataProvider('refused')]
    public function test_who_may_not(string $role, string $method, string $path): void
    {
        $this->as($role)->json($method, $path, [])->assertForbidden();
    }

    public function test_a_packing_that_is_not_whole_is_packed_again(): void
    {
        DB::table('kept')->where('name', 'packings')->delete();
        $store = new KeptPackings($this->installation);
        self::assertNull($store->packing('k'));
        $packing = Packer::pack([3.2, 6.4, 11.4]);
        $store->keep('k', $packing);
        self::assertEquals($packing, $store->packing('k'));
        $this->app?->terminate();
        self::assertEquals($packing, (new KeptPackings($this->installation))->packing('k'), 'for whoever comes next');
        // By whatever edition of the code it was packed.
        self::assertSame('version 1', DB::table('kept')->where('name', 'packings')->value('state'));
        foreach (
            [
                [],
                ['diameter' => 'thick'],
                ['diameter' => 1.0],
                ['diameter' => 1.0, 'circles' => [[1.0]]],
                ['diameter' => 1.0, 'circles' => ['x']],
            ] as $broken
        ) {
            Kept::put($this->installation, 'packings', 'version 1', serialize(['k' => $broken]));
            self::assertNull((new KeptPackings($this->installation))->packing('k'));
        }
    }

    public function test_a_loom_takes_its_runs_as_it_is_made_and_one_undo_takes_both_back(): void
    {
        $this->as('planner');
        $rows = array_column($this->getJson('/api/schedule')->json('rows'), null, 'code');
        $runs = [];
        foreach (['A-133', 'A-134'] as $code) {
            self::assertSame('', $rows[$code]['loom']);
            $runs[] = ['id' => $rows[$code]['id'], 'version' => $rows[$code]['version']];
        }
        $part = ['id' => 'hall-loom', 'name' => 'Hall loom', 'covering' => 'ties', 'tieEvery' => '300 mm'];
        $make = fn (array $part, array $runs): TestResponse => $this->postJson('/api/looms', [
            'part' => $part,
            'runs' => $runs,
        ]);
        $make($part, [['id' => 'gone', 'version' => 1]])->assertUnprocessable();
        $lead = $this->postJson('/api/runs', ['line' => [
            'code' => 'LEAD-1',
            'cable' => 'pair-foil',
            'signals' => 'analogue',
            'build' => 'lead',
            'from' => 'Media rack',
            'to' => 'Amplifier rack 1',
            'length' => '2 m',
            'plans_a' => 'xlr3-female-cable-balanced',
            'plans_b' => 'xlr3-male-cable-balanced',
        ]])->assertCreated()->json();
        $make($part, [['id' => $lead['id'], 'version' => $lead['version']]])
            ->assertUnprocessable()
            ->assertSee('A loose lead lies in no building');
        $make($part, $runs)->assertCreated()->assertJsonPath('id', 'hall-loom');
        $looms = collect($this->getJson('/api/looms')->json('looms'));
        self::assertSame(2, $looms->firstWhere('id', 'hall-loom')['members']);
        $make($part, [])->assertUnprocessable()->assertSee('There is such a loom already');
        $make(['id' => 'other', 'name' => 'Other'] + $part, $runs)->assertConflict();
        $change = $this->getJson('/api/changes')->json('0');
        self::assertSame('Loom Hall loom added with 2 runs', $change['words']);
        $this->postJson('/api/changes/'.$change['id'].'/undo')->assertCreated();
        self::assertNotContains('hall-loom', array_column($this->getJson('/api/looms')->json('looms'), 'id'));
        $now = array_column($this->getJson('/api/schedule')->json('rows'), null, 'code');
        self::assertSame('', $now['A-133']['loom']);
        $make($part, [])->assertCreated();
        self::assertSame('Loom Hall loom added', $this->getJson('/api/changes')->json('0.words'));
    }
}
