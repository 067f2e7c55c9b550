<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Changes\Intent;
use App\Formats\FileExporter;
use App\Formats\FileImporter;
use App\Models\StoredInstallation;
use App\Models\StoredRun;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PDO;
use PDOStatement;
use Sartal\Core\File\InstallationFile;
use Symfony\Component\Process\Process;
use Tests\Support\CountingStatement;
use Tests\TestCase;

/**
 * What pages cost with a thousand runs half done, in figures that are the same on every machine: questions to the
 * database, rows that come of them, octets of the answer. SARTAL_REAL_SIZE says where that installation is.
 */
final class BudgetsTest extends TestCase
{
    private const RUN = 'r-00334';

    /** Page → questions, rows, octets as they go over the network; when nothing is new. */
    private const AGAIN = [
        'schedule' => [10, 20, 26_000],
        'outstanding' => [12, 10, 300],
        'bench' => [18, 1_900, 30_000],
        'bench/'.self::RUN => [18, 1_200, 30_000],
        'crew/board' => [31, 3_800, 9_600],
        'progress' => [12, 20, 3_000],
        'tests/progress' => [10, 10, 1_000],
        'site' => [10, 10, 56_000],
        'handover' => [12, 20, 36_000],
        'overtaken' => [12, 20, 300],
        'runs/'.self::RUN => [17, 600, 10_000],
        'runs/'.self::RUN.'/test' => [18, 600, 17_000],
        'cutting' => [12, 20, 20_000],
        'parts?scope=installation&brief=1' => [10, 10, 10_000],
        'labels/shown?usual=1&only=left' => [12, 20, 21_000],
        'building?brief=1' => [10, 10, 84_000],
        'looms' => [10, 10, 6_000],
        'reach?brief=1' => [10, 10, 11_000],
        'service' => [12, 20, 300],
        'instruments' => [10, 10, 1_200],
        'find?q='.self::RUN => [10, 20, 600],
    ];

    /** Page → questions and rows when somebody has recorded something on a multicore of twenty-four pairs. */
    private const RECORDED = [
        'schedule' => [28, 1_300],
        'outstanding' => [34, 2_400],
        'bench' => [24, 2_500],
        'site' => [26, 1_300],
        'progress' => [50, 2_500],
        'runs/'.self::RUN => [22, 1_900],
        'runs/'.self::RUN.'/test' => [22, 1_900],
    ];

    /** Page → questions and rows when somebody has written another note on a run: those of its runs, not of all. */
    private const EDITED = [
        'schedule' => [64, 1_700],
        'outstanding' => [84, 2_000],
        'bench' => [56, 1_900],
        'bench/'.self::RUN => [66, 1_900],
        'runs/'.self::RUN => [52, 2_100],
        'runs/'.self::RUN.'/test' => [56, 2_100],
        'runs/'.self::RUN.'/sheet/A' => [30, 700],
    ];

    /** Questions and rows of a line of words, when somebody has written a note since and when nobody has. */
    private const QUICK = [[36, 900], [14, 300]];

    /** Questions and rows of an edit itself, asked first what it overtakes: its own, and what there are few of. */
    private const EDIT = [66, 2_600];

    /**
     * Questions and rows of a way that forty of a thousand runs lie in, asked first and made: theirs, and one row of
     * every other for what lies in ways.
     */
    private const WAY = [[170, 11_000], [90, 6_500]];

    /** Questions and rows of forty runs changed at once: each is written, and all are read together. */
    private const MARKED = [125, 9_000];

    /** Questions and rows of forty runs that are copied out. */
    private const COPIED = [20, 2_500];

    /** Questions and rows of what is new in the schedule since. */
    private const NEWS = [24, 1_300];

    /** Page → questions and rows of a cable that nobody has looked at since it was released. */
    private const RELEASED = [
        'runs/r-00340/test' => [40, 320],
        'runs/r-00340/test?stage=installed' => [36, 320],
        'bench/r-00340' => [54, 800],
        'runs/r-00340/coverage?checks=map' => [30, 300],
    ];

    /** Questions and rows of a record itself: what was done to its own cable, and nothing of the others. */
    private const RECORD = [34, 3_000];

    private StoredInstallation $large;

    public function test_pages_stay_within_their_budgets_with_a_thousand_runs(): void
    {
        $this->large = $this->halfDone();
        CountingStatement::on(DB::connection()->getPdo());
        foreach (self::AGAIN as $page => [$asked, $rows, $octets]) {
            $this->ask($page);
            CountingStatement::begin();
            $answer = (string) $this->ask($page)->getContent();
            self::within([$asked, $rows], $page.', again');
            self::assertLessThanOrEqual($octets, strlen((string) gzencode($answer)), $page.': octets');
        }
        foreach (self::RECORDED as $page => $budget) {
            CountingStatement::begin();
            $this->record();
            self::within(self::RECORD, 'a record');
            CountingStatement::begin();
            $this->ask($page);
            self::within($budget, $page.', after a record');
        }
        $this->follows();
        $this->conditional();
        foreach (self::EDITED as $page => $budget) {
            CountingStatement::begin();
            $this->edit();
            self::within(self::EDIT, 'an edit');
            CountingStatement::begin();
            $this->ask($page);
            self::within($budget, $page.', after an edit');
        }
        $this->proposes();
        $this->marks();
        $this->moves();
        $this->exports();
        $this->released();
    }

    /** Who writes a line is answered from what is kept of runs: none of them is read. */
    private function proposes(): void
    {
        $write = fn (): TestResponse => $this->as('planner')->postJson(
            '/api/i/'.$this->large->address.'/runs/quick',
            ['text' => '24 mic room 0.1 > room 0.2'],
        )->assertOk();
        $write();
        $this->edit();
        foreach (self::QUICK as $i => $budget) {
            CountingStatement::begin();
            $answer = $write();
            self::within($budget, 'a line of words, '.['after an edit', 'again'][$i]);
            self::assertSame(24, $answer->json('lines.0.circuits'));
        }
    }

    /** The same for many, and many copied out. */
    private function marks(): void
    {
        $change = function (int $many, string $note): int {
            $runs = $this->large->runs()->where('withdrawn', false)->orderBy('id')->limit($many)->get();
            CountingStatement::begin();
            $this->as('planner')->patchJson('/api/i/'.$this->large->address.'/runs', [
                'runs' => $runs->map(static fn (StoredRun $run): array => [
                    'id' => $run->key,
                    'version' => $run->version,
                ])->all(),
                'line' => ['note' => $note],
            ])->assertOk();

            return CountingStatement::$asked;
        };
        $change(40, 'once');
        $forty = $change(40, 'together');
        self::within(self::MARKED, 'forty runs, changed');
        // As many more as are written, and what is read together a few times more.
        self::assertLessThanOrEqual($forty + 40 + 8, $change(80, 'together'), 'eighty runs, changed: questions');
        $ids = $this->large->runs()->where('withdrawn', false)->orderBy('id')->limit(40)->pluck('key')->all();
        CountingStatement::begin();
        $this->postJson('/api/i/'.$this->large->address.'/runs/table', ['runs' => $ids])->assertOk();
        self::within(self::COPIED, 'forty runs, copied');
    }

    /** A way gets longer by more than cables have to spare: those that lie in it are read, and their neighbours. */
    private function moves(): void
    {
        $ways = $this->ask('building?brief=1')->json('ways');
        usort($ways, static fn (array $a, array $b): int => count($a['runs']) <=> count($b['runs']));
        ['part' => $part, 'version' => $version, 'runs' => $inside] = $ways[0];
        self::assertLessThan(60, count($inside));
        $sent = ['part' => ['length' => ((int) $part['length'] + 9000).' mm'] + $part, 'version' => max(1, $version)];
        $put = fn (string $intent): TestResponse => $this->as('lead')->putJson(
            '/api/i/'.$this->large->address.'/shared/way',
            $sent,
            [Intent::HEADER => $intent],
        );
        CountingStatement::begin();
        $asked = $put('ask')->assertStatus(428);
        self::within(self::WAY[0], 'a way, asked');
        self::assertGreaterThan(0, $asked->json('impact.runsCount'));
        CountingStatement::begin();
        $put('accept')->assertOk();
        self::within(self::WAY[1], 'a way, moved');
    }

    /** Who has the schedule is told the rows that are others since. */
    private function follows(): void
    {
        DB::table('events')->update(['created_at' => now()->subHour()]);
        $cursor = $this->ask('schedule')->json('cursor');
        $this->record();
        CountingStatement::begin();
        $answer = $this->ask('schedule?since='.$cursor);
        self::within(self::NEWS, 'what is new in the schedule');
        self::assertSame([self::RUN], $answer->json('rows.*.id'));
        self::assertLessThanOrEqual(1_500, strlen((string) $answer->getContent()), 'octets of what is new');
        DB::table('events')->update(['created_at' => now()->subHour()]);
        $cursor = $this->ask('site')->json('cursor');
        $this->record();
        CountingStatement::begin();
        $answer = $this->ask('site/since/'.$cursor);
        self::within(self::NEWS, 'what is new on site');
        self::assertSame([self::RUN], array_keys($answer->json('runs')));
        self::assertLessThanOrEqual(3_000, strlen((string) $answer->getContent()), 'octets of what is new');
    }

    /** A file goes out as it is written: of all of it, little is in memory at once. */
    private function exports(): void
    {
        memory_reset_peak_usage();
        [$before, $octets] = [memory_get_usage(), 0];
        foreach ($this->app->make(FileExporter::class)->pieces($this->large) as $piece) {
            $octets += strlen($piece);
        }
        self::assertGreaterThan(20_000_000, $octets);
        self::assertLessThan(40_000_000, memory_get_peak_usage() - $before, 'octets of memory for a file');
    }

    /** Who works from a release reads of it what one cable has to do with. */
    private function released(): void
    {
        $this->as('lead')
            ->postJson('/api/i/'.$this->large->address.'/releases', ['note' => 'to the shop'])
            ->assertStatus(202);
        $this->ask('runs/'.self::RUN.'/test');
        $this->ask('outstanding');
        $this->ask('bench');
        foreach (self::RELEASED as $page => $budget) {
            CountingStatement::begin();
            $this->ask($page);
            self::within($budget, $page.', released');
        }
    }

    private function edit(): void
    {
        $run = $this->large->runs()->where('key', self::RUN)->firstOrFail();
        $this->as('planner')
            ->withHeader(Intent::HEADER, Intent::Ask->value)
            ->patchJson('/api/i/'.$this->large->address.'/runs/'.self::RUN, [
                'version' => $run->version,
                'line' => ['note' => 'version '.$run->version],
            ])
            ->assertOk();
    }

    protected function tearDown(): void
    {
        DB::connection()->getPdo()->setAttribute(PDO::ATTR_STATEMENT_CLASS, [PDOStatement::class]);
        parent::tearDown();
    }

    /** Whoever has the answer already is told so before anything is read. */
    private function conditional(): void
    {
        foreach (['site', 'reach?brief=1', 'building?brief=1'] as $page) {
            $tag = (string) $this->ask($page)->headers->get('ETag');
            CountingStatement::begin();
            $this->as('lead')
                ->getJson('/api/i/'.$this->large->address.'/'.$page, ['If-None-Match' => $tag])
                ->assertStatus(304)
                ->assertContent('');
            self::within([9, 9], $page.', held');
        }
    }

    /** @param  array{int, int}  $budget */
    private static function within(array $budget, string $what): void
    {

        self::assertLessThanOrEqual($budget[0], CountingStatement::$asked, $what.': questions to the database');
        self::assertLessThanOrEqual($budget[1], CountingStatement::$rows, $what.': rows');
        self::assertGreaterThan(0, CountingStatement::$asked, 'counted');
    }

    private function record(): void
    {
        $this->as('installer')
            ->postJson('/api/i/'.$this->large->address.'/events', [
                'id' => (string) Str::uuid(),
                'kind' => 'labelled',
                'run' => self::RUN,
                'side' => 'A',
            ])
            ->assertSuccessful();
    }

    private function ask(string $page): TestResponse
    {
        return $this->as('lead')
            ->getJson('/api/i/'.$this->large->address.'/'.$page)
            ->assertOk();
    }

    private function halfDone(): StoredInstallation
    {
        $folder = getenv('SARTAL_REAL_SIZE') ?: dirname(base_path()).'/shared/real-size';
        $file = $folder.'/half-done-1000.json.xz';
        if (! is_file($file)) {
            self::markTestSkipped('The installation of real size is not here. SARTAL_REAL_SIZE says where it is.');
        }
        $unpacked = (new Process(['xz', '-dc', $file]))->mustRun()->getOutput();
        $large = (new FileImporter())->import(InstallationFile::parse($unpacked), self::organisation());
        $large->take($this->person('lead'), ['planner', 'lead'], []);
        $large->take($this->person('installer'), ['installer'], []);

        return $large;
    }
}
