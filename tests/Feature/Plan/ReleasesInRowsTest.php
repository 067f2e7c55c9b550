<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Models\Release;
use App\Planning\Loaded;
use App\Planning\ReleasedRows;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Sartal\Core\File\Spelled;
use Tests\Support\DrawnEdits;
use Tests\Support\DrawsDecisions;
use Tests\TestCase;

/** The shop reads a release row by row, and only what it needs of it: that is what was signed. */
final class ReleasesInRowsTest extends TestCase
{
    use DrawsDecisions;

    private const RELEASES = 9;

    public function test_rows_of_each_release_are_what_was_signed_and_what_is_the_same_is_there_once(): void
    {
        $drawn = new DrawnEdits(json_decode(self::demo(), true));
        $releases = [$this->release()];
        $rows = $first = DB::table('released_rows')->count();
        self::assertGreaterThan(200, $first);
        for ($seed = 1; $seed < self::RELEASES; $seed++) {
            $edits = self::drawn($drawn, 900 + $seed);
            if (self::isTwice($this->installation, $edits)) {
                continue;
            }
            $decision = Decision::on($this->load(), $this->author(), 'drawn', $edits);
            $change = $this->app->make(ChangeLog::class)->write($decision)->change;
            if ($seed % 3 === 0) {
                // What was there before comes last now, or is the same again.
                $this->app->make(ChangeLog::class)->undo($this->installation->refresh(), $this->author(), $change);
            }
            $releases[] = $this->release();
            $now = DB::table('released_rows')->count();
            // What is decided besides follows from these: the types that are used, and what is found.
            self::assertLessThanOrEqual($rows + count($edits) + 2, $now, 'seed '.$seed);
            $rows = $now;
        }
        self::assertGreaterThan($first, $rows);
        self::assertGreaterThan(5, count($releases));
        foreach ($releases as $release) {
            $this->saysWhatWasSigned($release);
        }
    }

    /** @return iterable<string, array{bool}> */
    public static function orders(): iterable
    {
        yield 'one after the other' => [true];
        yield 'somebody still works from the one before' => [false];
    }

    #[DataProvider('orders')]
    public function test_releases_of_before_are_in_rows_once_somebody_works_from_them(bool $inOrder): void
    {
        $releases = [$this->release()];
        $this->note('A-118', 'between');
        $releases[] = $this->release();
        $page = (string) $this->as('tester')->getJson('/api/runs/A-118/test?stage=bench')->getContent();
        DB::table('released_rows')->delete();
        DB::table('kept')->delete();
        Release::query()->update(['in_rows' => false]);
        foreach ($inOrder ? $releases : array_reverse($releases) as $release) {
            ReleasedRows::write($this->installation, $release->id);
        }
        foreach ($releases as $release) {
            self::assertTrue($release->refresh()->in_rows);
            $this->saysWhatWasSigned($release);
        }
        self::assertSame($page, (string) $this->getJson('/api/runs/A-118/test?stage=bench')->getContent());
    }

    public function test_the_step_to_rows_can_be_taken_back_and_again(): void
    {
        $release = $this->release();
        $page = (string) $this->as('tester')->getJson('/api/runs/A-118/test?stage=bench')->getContent();
        $step = require database_path('migrations/2026_12_01_000002_add_released_rows.php');
        $step->down();
        self::assertSame($release->document, Release::query()->findOrFail($release->id)->document);
        $step->up();
        DB::table('kept')->delete();
        self::assertSame($page, (string) $this->getJson('/api/runs/A-118/test?stage=bench')->getContent());
        $this->saysWhatWasSigned($release);
    }

    public function test_what_the_shop_asks_about_one_cable_is_read_in_part_and_says_what_the_whole_says(): void
    {
        $this->release();
        // What is decided since is not the shop's.
        $this->note('A-118', 'decided since');
        $this->as('planner')->patchJson('/api/runs/M-201', [
            'line' => ['tail_a' => '7'],
            'version' => 1,
        ])->assertOk();
        $this->as('lead')->getJson('/api/bench')->assertOk();
        $parts = 0;
        foreach (['A-118', 'M-201', 'C-424', 'A-114', ...self::some($this->load())] as $run) {
            $pages = [
                'runs/'.$run.'/test?stage=bench',
                'runs/'.$run.'/test?stage=installed',
                'runs/'.$run.'/coverage?checks=map',
                'bench/'.$run,
                'simulators/assemblies/'.$run,
            ];
            foreach ($pages as $page) {
                DB::beginTransaction();
                DB::table('kept')->where('name', 'not like', 'jobs%')->delete();
                DB::table('released_cards')->delete();
                $whole = $this->getJson('/api/'.$page);
                self::assertContains($whole->status(), [200, 404, 422], $page);
                DB::table('kept')->where('name', 'not like', 'jobs%')->where('name', '<>', 'cards at work')->delete();
                // Where everything stands is of all.
                $this->getJson('/api/outstanding')->assertOk();
                $all = 0;
                DB::listen(static function (QueryExecuted $query) use (&$all): void {
                    $all += self::isOfAllRuns($query) ? 1 : 0;
                });
                $part = $this->getJson('/api/'.$page);
                self::assertSame($whole->status(), $part->status(), $page);
                self::assertSame($whole->json('message'), $part->json('message'), $page);
                $whole->status() === 200 ? self::assertSame($whole->getContent(), $part->getContent(), $page) : null;
                self::assertSame(0, $all, $page);
                $parts += $whole->status() === 200 ? 1 : 0;
                DB::rollBack();
            }
        }
        self::assertGreaterThan(15, $parts);
    }

    private function note(string $run, string $note): void
    {
        $version = $this->as('planner')->getJson('/api/runs/'.$run)->json('version');
        $this->patchJson('/api/runs/'.$run, ['line' => ['note' => $note], 'version' => $version])->assertOk();
    }

    private function release(): Release
    {
        $this->as('lead')->postJson('/api/releases', ['note' => 'for the shop'])->assertStatus(202);
        $this->installation->refresh();

        return Release::query()->where('installation_id', $this->installation->id)->latest('id')->firstOrFail();
    }

    /** Whatever is today's is not asked of it. */
    private function saysWhatWasSigned(Release $release): void
    {
        $this->installation->release_id = $release->id;
        $rows = ReleasedRows::of($this->installation)?->data(null) ?? [];
        $said = array_map(static fn (mixed $list): mixed => is_array($list) ? array_map(
            static fn (mixed $each): mixed => $each instanceof Spelled ? $each->read() : $each,
            $list,
        ) : $list, $rows);
        $signed = json_decode($release->document, true, flags: JSON_THROW_ON_ERROR);
        self::assertIsArray($signed);
        foreach ($signed as $name => $list) {
            self::assertSame($list, $said[$name], $release->letter.' '.$name);
        }
        self::assertSame([], array_filter(array_diff_key($said, $signed)));
    }

    /** @return list<string> runs from all over the installation */
    private static function some(Loaded $loaded): array
    {
        $runs = array_map(strval(...), array_keys($loaded->installation->runs()));

        return array_values(array_filter($runs, static fn (int $i): bool => $i % 17 === 5, ARRAY_FILTER_USE_KEY));
    }

    private static function isOfAllRuns(QueryExecuted $query): bool
    {
        return str_contains($query->sql, 'from "released_rows"') && str_contains($query->sql, 'order by') &&
            ! str_contains($query->sql, '"key" in (');
    }
}
