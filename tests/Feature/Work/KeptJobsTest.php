<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use App\Bench\JobBooks;
use App\Bench\JobIndex;
use App\Bench\JobMade;
use App\Bench\Jobs;
use App\Bench\JobSide;
use App\Bench\KeptJob;
use App\Bench\KeptJobs;
use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Changes\Intent;
use App\Planning\Edit;
use App\Planning\InstallationStore;
use App\Planning\Near;
use App\Planning\Rows;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Work\Bench\Experience;
use Sartal\Core\Work\Bench\TimeBook;
use Tests\TestCase;

/** What is kept of every job is what would be made of all that was recorded, whatever happened. */
final class KeptJobsTest extends TestCase
{
    private const SHOP = ['A-118', 'A-119', 'A-121', 'M-201', 'M-202', 'V-403', 'D-033', 'C-442'];

    private static function kept(): KeptJobs
    {
        $near = new Near(new InstallationStore());

        return new KeptJobs(new Jobs(new InstallationStore(), $near), $near);
    }

    /**
     * @param  array<int|string, KeptJob>  $jobs
     * @return array<int|string, array<string, mixed>> but for the row that it has come to
     */
    private static function shown(array $jobs): array
    {
        return array_map(
            static fn (KeptJob $job): array => array_diff_key(
                (array) json_decode((string) json_encode($job), true),
                ['seen' => 0],
            ),
            $jobs,
        );
    }

    private function compare(string $after): void
    {
        $stored = $this->installation->refresh();
        [$index, $jobs] = self::kept()->anew($stored);
        $fresh = self::shown(array_map(static fn (JobMade $job): KeptJob => $job->line, $jobs));
        $book = self::kept();
        $kept = self::shown($book->of($stored));
        self::assertSame(array_keys($fresh), array_keys($kept));
        foreach ($fresh as $id => $job) {
            foreach ($job as $field => $value) {
                self::assertSame($value, $kept[$id][$field], sprintf('%s of %s, after %s', $field, $id, $after));
            }
        }
        self::assertEquals(
            array_map(static fn (JobMade $job): array => $job->ahead, $jobs),
            $book->ahead($stored),
            'what is left, after '.$after,
        );
        self::assertEquals(self::said($index), $book->experience($stored), 'what is known of it, after '.$after);
        $counted = static fn (array $of): array => array_map(static function (array $counts): array {
            ksort($counts, SORT_STRING);

            return $counts;
        }, $of);
        self::assertSame(
            $counted($index->tally->written()),
            $counted($book->index($stored)->tally->written()),
            'what is counted, after '.$after,
        );
        self::assertSame($index->tools, $book->tools($stored), 'tools, after '.$after);
        self::assertSame($index->assemblyOf, $book->assemblyOf($stored), 'whose runs, after '.$after);
    }

    private static function said(JobIndex $index): Experience
    {
        return new Experience(new TimeBook($index->took), $index->tally->looked, $index->tally->found);
    }

    /** What somebody might do next, by a generator of its own. */
    private function act(Randomizer $dice): string
    {
        $run = self::SHOP[$dice->getInt(0, count(self::SHOP) - 1)];
        $steps = $this->as('lead')->getJson('/api/bench/'.$run)->json('job.steps') ?? [];
        $event = ['id' => Str::uuid()->toString(), 'run' => $run, 'note' => 'by chance'];
        $piece = null;
        if ($steps !== []) {
            $step = $steps[$dice->getInt(0, min(5, count($steps) - 1))];
            $piece = $step['pieces'][$dice->getInt(0, count($step['pieces']) - 1)];
            $event['run'] = $piece['run'];
        }
        [$kind, $more, $bench] = match ($dice->getInt(0, 9)) {
            0, 1, 2, 3 => [$step['event'] ?? 'cut', ['took' => $dice->getInt(5, 90)], true],
            4 => ['skipped', [], true],
            5 => ['taken-back', [], true],
            6 => ['asked', [], true],
            7 => ['held', [], true],
            8 => ['cut', ['on' => [], 'cut' => ['length' => $dice->getInt(20, 90).' m']], false],
            default => ['labelled', ['on' => []], false],
        };
        if ($bench) {
            $event = ['kind' => $kind, 'step' => $piece['id'] ?? ''] + $event;
            $this->postJson('/api/bench/'.$run.'/events', $event + $more);
        } else {
            $this->postJson('/api/events', ['kind' => $kind] + $event + $more);
        }

        return $kind.' on '.$event['run'];
    }

    public function test_a_decision_about_a_few_runs_touches_their_jobs_alone(): void
    {
        self::near()->whole($this->installation->refresh());
        self::kept()->of($this->installation);
        $brought = [];
        $edits = [
            ['A-119', static fn (array $run): array => ['a' => ['tail' => '4 m'] + $run['a']] + $run],
            ['A-121', static fn (array $run): array => ['code' => 'A-921'] + $run],
            // Dressed elsewhere, what goes over those that are left is another size.
            ['A-114', static fn (array $run): array => ['loom' => 'L4'] + $run],
            ['M-202', static fn (array $run): array => ['note' => 'said'] + $run],
            ['C-442', static fn (array $run): array => ['withdrawn' => true] + $run],
        ];
        foreach ($edits as [$id, $otherwise]) {
            $stored = $this->installation->refresh();
            $shape = (new Rows($stored))->current(DecisionKind::Run, $id) ?? self::fail('There is no '.$id.'.');
            $by = new Author($this->person('planner'), Intent::Accept);
            $edit = new Edit(DecisionKind::Run, $id, $otherwise($shape));
            $on = self::near()->runs($stored, [$id]);
            $this->app->make(ChangeLog::class)->write(Decision::on($on, $by, 'drawn', [$edit]));
            $whole = 0;
            DB::listen(static function (QueryExecuted $query) use (&$whole): void {
                $whole += str_starts_with($query->sql, 'select "key", "version", "definition" from "runs"') &&
                    ! str_contains($query->sql, '"key" in (') ? 1 : 0;
            });
            self::kept()->of($this->installation->refresh());
            $this->as('lead')->getJson('/api/bench/'.$id);
            $brought[$id] = $whole === 0;
            $page = $this->pages($id);
            $this->compare($id);
            DB::beginTransaction();
            DB::delete('delete from kept');
            DB::delete('delete from run_cards');
            self::assertSame($this->pages($id), $page, $id);
            DB::rollBack();
        }
        self::assertSame(['A-119', 'A-121', 'A-114', 'M-202'], array_keys(array_filter($brought)));
    }

    /** @return list<mixed> what its job is, and what is overtaken of all */
    private function pages(string $run): array
    {
        return [
            $this->as('lead')->getJson('/api/bench/'.$run)->json(),
            $this->as('lead')->getJson('/api/overtaken')->json(),
        ];
    }

    private static function near(): Near
    {
        return new Near(new InstallationStore());
    }

    public function test_whatever_is_recorded_what_is_kept_is_what_would_be_made(): void
    {
        self::kept()->of($this->installation);
        $before = DB::table('events')->count();
        $dice = new Randomizer(new Mt19937(16));
        for ($i = 0; $i < 25; $i++) {
            $done = $this->act($dice);
            $this->compare($done);
        }
        self::assertGreaterThan($before + 7, DB::table('events')->count());
    }

    public function test_a_decision_and_a_store_that_was_emptied_change_nothing_but_time(): void
    {
        self::kept()->of($this->installation);
        $this->as('planner')
            ->patchJson('/api/runs/bulk', [
                'runs' => [['id' => 'A-118', 'version' => 1]],
                'fields' => ['note' => 'seen'],
            ]);
        $this->compare('a decision');
        DB::table('kept')->delete();
        $this->compare('the store was emptied');
    }

    /** Whoever prunes what is old may take a part of what is kept together. */
    public function test_a_part_that_went_is_made_again(): void
    {
        $kept = self::shown(self::kept()->of($this->installation));
        foreach (JobSide::cases() as $side) {
            self::assertSame(1, DB::table('kept')->where('name', $side->name(0))->delete());
            self::assertSame($kept, self::shown(self::kept()->of($this->installation)), $side->value);
            self::kept()->ahead($this->installation);
            $this->record('A-119');
            $this->compare(sprintf('"%s" went', $side->value));
            $kept = self::shown(self::kept()->of($this->installation));
        }
        DB::table('kept')->where('name', JobSide::Line->name(0))->update(['state' => 'of something else']);
        self::assertSame($kept, self::shown(self::kept()->of($this->installation)));
    }

    /** Two who ask at once, and something was recorded between: what either finds is written down once. */
    public function test_two_who_catch_up_at_once_count_what_was_measured_once(): void
    {
        [$one, $other] = [self::kept(), self::kept()];
        $one->of($this->installation);
        $other->of($this->installation);
        $page = $this->as('lead')->getJson('/api/bench/A-118')->json();
        $standings = $page['state']['standings'];
        $open = static fn (array $step): bool => ! isset($standings[$step['pieces'][0]['id']]['on']);
        $step = current(array_filter($page['job']['steps'], $open));
        $piece = $step['pieces'][0];
        $this->as('lead')
            ->postJson('/api/bench/A-118/events', [
                'id' => Str::uuid()->toString(),
                'kind' => $step['event'],
                'run' => $piece['run'],
                'step' => $piece['id'],
                'took' => 77,
                'on' => [$page['state']['since']],
            ])
            ->assertCreated();
        $index = self::kept()->anew($this->installation->refresh())[0];
        foreach ([$one, $other, self::kept()] as $book) {
            self::assertEquals(self::said($index), $book->experience($this->installation));
            self::assertEquals($index->seen, JobBooks::read($this->installation, JobBooks::key($this->installation))
                ?->index->seen);
        }
        $this->record('A-121');
        $other->of($this->installation);
        $this->compare('one of them went on');
    }

    private function record(string $run): void
    {
        $this->as('lead')
            ->postJson('/api/events', [
                'id' => Str::uuid()->toString(),
                'kind' => 'reported',
                'run' => $run,
                'note' => 'x',
            ])
            ->assertCreated();
    }

    /** Of two that record at once, the lower number may be written down after the higher one was read. */
    public function test_a_record_that_was_slow_to_arrive_is_seen(): void
    {
        $slow = (int) DB::selectOne("select nextval(pg_get_serial_sequence('events', 'id')) as id")->id;
        $this->as('lead')
            ->postJson('/api/events', ['id' => Str::uuid()->toString(), 'kind' => 'labelled', 'run' => 'A-119'])
            ->assertCreated();
        self::kept()->of($this->installation);
        $row = (array) DB::table('events')->where('run', 'A-119')->orderByDesc('id')->first();
        $uuid = Str::uuid()->toString();
        $says = ['id' => $uuid, 'run' => 'A-121', 'note' => 'late', 'kind' => 'held'];
        DB::table('events')->insert([
            'id' => $slow,
            'uuid' => $uuid,
            'run' => 'A-121',
            'kind' => 'held',
            'definition' => json_encode($says + (array) json_decode((string) $row['definition'], true)),
        ] + array_diff_key($row, ['picture' => 0, 'received' => 0, 'said' => 0]));
        self::assertSame('late', self::kept()->of($this->installation)['A-121']->hold);
        $this->compare('it came late');
    }

    /** An edit that asks what it overtakes does not wait until every job is made anew. */
    public function test_what_things_took_is_known_right_after_a_decision(): void
    {
        $took = self::kept()->experience($this->installation);
        self::assertNotEquals(new Experience(), $took);
        DB::table('installations')->where('id', $this->installation->id)->update(['decisions' => (string) Str::ulid()]);
        $after = self::kept();
        $asked = [];
        DB::listen(static function ($query) use (&$asked): void {
            $asked[] = $query->sql;
        });
        self::assertEquals($took, $after->lastExperience($this->installation->refresh()));
        self::assertSame([], array_filter($asked, static fn (string $sql): bool => str_contains($sql, '"definition"')));
        // A page says what the jobs as they are now come to.
        self::assertEquals($took, self::kept()->experience($this->installation));
        self::assertNotSame(
            [],
            array_filter($asked, static fn (string $sql): bool => str_contains($sql, '"definition"')),
        );
        // Where nothing was kept, it is made.
        DB::table('kept')->delete();
        self::assertEquals($took, self::kept()->experience($this->installation));
    }

    /** A database that was restored has the numbers of rows again, and other records under them. */
    public function test_a_record_that_went_back_is_not_known_from_before(): void
    {
        $this->as('lead')
            ->postJson('/api/events', ['id' => Str::uuid()->toString(), 'kind' => 'labelled', 'run' => 'A-121'])
            ->assertCreated();
        $this->compare('a record');
        DB::table('events')->where('id', DB::table('events')->max('id'))->delete();
        $this->compare('it went back');
        $this->postJson('/api/events', ['id' => Str::uuid()->toString(), 'kind' => 'cut', 'run' => 'A-119'])
            ->assertCreated();
        $this->compare('another under its number');
    }

    /** Once it is kept, a list asks a few things, and reads no record that it knows of. */
    public function test_a_list_that_is_kept_reads_neither_the_installation_nor_its_record(): void
    {
        $this->as('bench')->getJson('/api/bench')->assertOk();
        $asked = [];
        DB::listen(static function ($query) use (&$asked): void {
            $asked[] = $query->sql;
        });
        $this->getJson('/api/bench')->assertOk();
        self::assertLessThan(18, count($asked));
        foreach ($asked as $sql) {
            self::assertStringNotContainsString('"definition" from "events"', $sql);
            self::assertStringNotContainsString('from "runs"', $sql);
            self::assertStringNotContainsString('from "entries"', $sql);
        }
    }

    /** Whoever goes on from a cursor knows what whoever reads all of it is told. */
    public function test_what_is_told_since_a_cursor_makes_of_what_was_known_what_is_so_now(): void
    {
        $record = fn (string $run, string $kind) => $this->as('lead')->postJson('/api/bench/'.$run.'/events', [
            'id' => Str::uuid()->toString(),
            'kind' => $kind,
            'run' => $run,
            'note' => 'waits for boots',
        ])->assertCreated();
        // It is made anew after five hundred records: none of those that follow is one by which that comes about.
        DB::statement("select setval(pg_get_serial_sequence('events', 'id'), (max(id) / 500 + 1) * 500) from events");
        $record('A-119', 'asked');
        $known = $this->getJson('/api/bench?roughly=1')->assertOk()->json();
        self::assertFalse($known['isPart']);
        DB::table('events')->update(['created_at' => now()->subHour()]);
        $told = $this->getJson('/api/bench?since='.$known['cursor'])->json();
        self::assertSame([[], true], [$told['jobs'], $told['isPart']], 'nothing was recorded');

        $record('A-121', 'held');
        $record('M-201', 'asked');
        self::assertSame($known, $this->getJson('/api/bench?roughly=1')->json(), 'all of it is not made again');
        $told = $this->getJson('/api/bench?since='.$known['cursor'])->json();
        self::assertTrue($told['isPart']);
        self::assertEqualsCanonicalizing(['A-121', 'M-201'], array_column($told['jobs'], 'id'));
        $news = array_column($told['jobs'], null, 'id');
        $whole = $this->getJson('/api/bench')->json();
        self::assertSame(
            $whole['jobs'],
            array_map(static fn (array $job): array => $news[$job['id']] ?? $job, $known['jobs']),
        );
        self::assertSame($whole['cursor'], $told['cursor']);

        $version = (int) $this->getJson('/api/runs/A-118')->json('version');
        $this->patchJson('/api/runs/A-118', ['version' => $version, 'line' => ['note' => 'by the window']])->assertOk();
        $after = $this->getJson('/api/bench?since='.$told['cursor'])->json();
        self::assertFalse($after['isPart'], 'after a decision it is all of them');
        self::assertFalse($this->getJson('/api/bench?since=7.nonsense')->json('isPart'));
        $ahead = preg_replace('~\d+$~', '999999', (string) $after['cursor']);
        self::assertFalse($this->getJson('/api/bench?since='.$ahead)->json('isPart'), 'the record went back');
    }

    public function test_a_record_has_its_own_job_looked_at_again_and_no_other(): void
    {
        $kept = self::kept()->of($this->installation);
        $this->as('lead')
            ->postJson('/api/bench/A-121/events', [
                'id' => Str::uuid()->toString(),
                'kind' => 'held',
                'run' => 'A-121',
                'step' => $this->getJson('/api/bench/A-121')->json('job.steps.0.pieces.0.id'),
                'note' => 'the reel is wet',
            ])
            ->assertCreated();
        $now = self::kept()->of($this->installation);
        self::assertSame('the reel is wet', $now['A-121']->hold);
        foreach ($now as $id => $job) {
            self::assertSame($id !== 'A-121', $job->seen === $kept[$id]->seen, (string) $id);
        }
    }
}
