<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Changes\Intent;
use App\Planning\Kept;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Share;
use Tests\TestCase;

/**
 * What is answered from what was kept is what would be answered if nothing were: after random decisions and records,
 * drawn here by a generator of its own. SARTAL_KEPT_ACTS says how many (500 are said to be enough).
 */
final class KeptAnswersTest extends TestCase
{
    private const RUNS = ['A-114', 'A-118', 'A-119', 'A-121', 'M-201', 'M-202', 'V-403', 'D-033', 'C-442', 'P-007'];

    private const PAGES = [
        'schedule',
        'outstanding',
        'bench',
        'tests/progress',
        'site',
        'handover',
        'overtaken',
        'runs/%s',
        'runs/%s/test',
        'runs/%s/test?stage=installed',
        'runs/%s/sheet/A',
        'bench/%s',
        'cutting',
        'parts?scope=installation',
        'parts?scope=installation&left=1',
        'labels',
        'labels/shown?usual=1&only=left',
        'building',
        'building?brief=1',
        'building/fittings/amp-rack-1',
        'looms',
        'reach',
        'reach?brief=1&only=1',
        'equipment',
        'service',
        'schedule.csv',
        'catalogue',
        'types',
        'types/cable/star-quad',
        'rules',
        'instruments',
        'find?q=A-1',
        'service/circuits?q=A-1',
        'parts?scope=installation&brief=1',
        'parts/needed?sort=cable&id=pair-foil',
        'parts.csv?scope=installation',
        'runs/%s/sheet/A/sheet.pdf',
        'runs/%s/sheet/A/strip.svg',
        'runs/%s/coverage?checks=map',
        'cutting/cut-list.pdf',
        'labels.csv',
        'overtaken/%s',
        'releases/preview',
        'places/amp-rack-1/leeway',
    ];

    /** Compared after each act. */
    private const LOOKS = 4;

    public function test_kept_and_fresh_answers_are_the_same_after_random_decisions_and_records(): void
    {
        $dice = new Randomizer(new Mt19937((int) (getenv('SARTAL_KEPT_SEED') ?: 28)));
        $acts = (int) (getenv('SARTAL_KEPT_ACTS') ?: Share::many(10, 40));
        $done = [];
        foreach (self::PAGES as $page) {
            $this->as('lead')
                ->getJson('/api/'.sprintf($page, 'A-118'))
                ->assertOk();
        }
        for ($i = 0; $i < $acts; $i++) {
            $act = $this->act($dice);
            $done[explode(' ', $act)[0]] = true;
            for ($look = 0; $look < self::LOOKS; $look++) {
                $page = sprintf(
                    self::PAGES[$dice->getInt(0, count(self::PAGES) - 1)],
                    self::RUNS[$dice->getInt(0, count(self::RUNS) - 1)],
                );
                $this->compare($page, sprintf('%s after %d: %s', $page, $i, $act));
            }
        }
        self::assertGreaterThan(min(9, $acts / 4), count($done), 'acts that were accepted');
    }

    private function compare(string $page, string $when): void
    {
        $kept = $this->as('lead')
            ->getJson('/api/'.$page)
            ->assertOk()
            ->getContent();
        $again = $this->getJson('/api/'.$page)
            ->assertOk()
            ->getContent();
        $fresh = $this->withoutWhatIsKept(
            fn (): string|false => $this->getJson('/api/'.$page)
                ->assertOk()
                ->getContent(),
        );
        self::assertEquals(self::compared($fresh), self::compared($kept), $when);
        self::assertSame($kept, $again, $when);
    }

    /**
     * But for what hangs from the printer, which is beside the installation, and how long a step may take by the crew's
     * own times, which right after a decision are those of before it.
     */
    private static function compared(string|false $answer): mixed
    {
        $without = static function (mixed $value) use (&$without): mixed {
            return is_array($value)
                ? array_map($without, array_diff_key($value, ['printer' => 0, 'seconds' => 0]))
                : $value;
        };

        $text = (string) $answer;

        return json_validate($text) ? $without(json_decode($text, true)) : self::document($text);
    }

    /** To the octet, but for when it was made and the number that a PDF draws for itself. */
    private static function document(string $text): string
    {
        return str_starts_with($text, '%PDF')
            ? (string) preg_replace(
                ['~[0-9a-f]{8}-?([0-9a-f]{4}-?){3}[0-9a-f]{12}~', '~D:\d{14}~', '~\d{4}-\d\d-\d\dT[\d:]{8}~'],
                '*',
                $text,
            )
            : $text;
    }

    /**
     * @template T
     *
     * @param  callable(): T  $ask
     * @return T
     */
    private function withoutWhatIsKept(callable $ask): mixed
    {
        $folder = config('cache.stores.file.path');
        $empty = sys_get_temp_dir().'/sartal-nothing-kept-'.Str::random(8);
        // Another table is found first, with nothing in it: what is kept stays where it is meanwhile.
        DB::statement('create schema if not exists nothing_kept');
        DB::statement('create table if not exists nothing_kept.kept (like public.kept including all)');
        DB::statement('set search_path to nothing_kept, public');
        config(['cache.stores.file.path' => $empty, 'cache.stores.file.lock_path' => $empty]);
        Cache::forgetDriver('file');
        try {
            return $ask();
        } finally {
            config(['cache.stores.file.path' => $folder, 'cache.stores.file.lock_path' => $folder]);
            Cache::forgetDriver('file');
            File::deleteDirectory($empty);
            DB::statement('set search_path to public');
            DB::table('nothing_kept.kept')->delete();
        }
    }

    /** What somebody might do next. @return string what it was, and whether it was accepted */
    private function act(Randomizer $dice): string
    {
        $run = self::RUNS[$dice->getInt(0, count(self::RUNS) - 1)];
        [$what, $answer] = match ($dice->getInt(0, 17)) {
            0, 1 => ['edit', $this->edit($run, ['tail_a' => $dice->getInt(1, 9).' m'])],
            2 => ['code', $this->edit($run, ['code' => 'Z-'.$dice->getInt(100, 999)])],
            3 => ['loom', $this->edit($run, ['loom' => ['L1', 'L2', ''][$dice->getInt(0, 2)]])],
            4 => ['way', $this->way($dice)],
            5 => ['name', $this->named('Odd '.$dice->getInt(1, 99))],
            6 => ['print', $this->printed($dice)],
            7 => ['instrument', $this->instrument($dice)],
            8, 9, 10, 11 => ['step', $this->step($run, $dice)],
            12, 13 => ['test', $this->tested($run, $dice)],
            14 => ['report', $this->record('lead', $run, ['kind' => 'reported', 'note' => 'It hums.'])],
            15 => [
                'cut',
                $this->record('bench', $run, ['kind' => 'cut', 'cut' => ['length' => $dice->getInt(9, 90).' m']]),
            ],
            16 => [
                'remade',
                $this->record('bench', $run, ['kind' => 'remade', 'side' => ['A', 'B'][$dice->getInt(0, 1)]]),
            ],
            default => [
                'site',
                $this->record('installer', $run, [
                    'kind' => ['pulled', 'dressed', 'installed', 'labelled'][$dice->getInt(0, 3)],
                    ...$dice->getInt(0, 1) === 0 ? [] : ['at' => '2026-03-'.$dice->getInt(10, 28).'T08:00:00Z'],
                ]),
            ],
        };

        return sprintf('%s on %s: %d', $what, $run, $answer);
    }

    private function named(string $name): int
    {
        return $this->as('bench')
            ->putJson('/api/session/name', ['name' => $name])
            ->getStatusCode();
    }

    /** @param  array<string, string>  $line */
    private function edit(string $run, array $line): int
    {
        $version = $this->as('planner')
            ->getJson('/api/runs/'.$run)
            ->json('version');

        return $this->withHeader(Intent::HEADER, 'accept')
            ->patchJson('/api/runs/'.$run, ['line' => $line, 'version' => $version])
            ->getStatusCode();
    }

    private function way(Randomizer $dice): int
    {
        $ways = $this->as('planner')->getJson('/api/building')->json('ways');
        $way = $ways[$dice->getInt(0, count($ways) - 1)];
        $row = $this->installation
            ->entries()
            ->where('kind', 'way')
            ->where('key', $way['id'] ?? $way['part']['id'])
            ->firstOrFail();

        return $this->withHeader(Intent::HEADER, 'accept')
            ->putJson('/api/shared/way', [
                'part' => ['length' => $dice->getInt(2, 60).' m'] + $row->definition,
                'version' => $row->version,
            ])
            ->getStatusCode();
    }

    private function printed(Randomizer $dice): int
    {
        $labels = $this->as('bench')->getJson('/api/labels')->json('labels');
        $ids = array_column(array_slice($labels, $dice->getInt(0, count($labels) - 1), 3), 'id');

        return $this->postJson('/api/labels/printed', ['ids' => $ids])->getStatusCode();
    }

    private function instrument(Randomizer $dice): int
    {
        $row = $this->installation->entries()->where('kind', 'instrument')->first();
        if ($row === null) {
            return 404;
        }

        return $this->as('tester')
            ->putJson('/api/instruments', [
                'part' => [
                    'name' => 'Meter '.$dice->getInt(1, 9),
                    'calibratedTo' => '20'.$dice->getInt(24, 29).'-01-01',
                ] + $row->definition,
                'version' => $row->version,
            ])
            ->getStatusCode();
    }

    private function step(string $run, Randomizer $dice): int
    {
        $steps =
            $this->as('lead')
                ->getJson('/api/bench/'.$run)
                ->json('job.steps') ?? [];
        if ($steps === []) {
            return 404;
        }
        $step = $steps[$dice->getInt(0, min(6, count($steps) - 1))];
        $piece = $step['pieces'][$dice->getInt(0, count($step['pieces']) - 1)];
        $kind = [$step['event'], $step['event'], 'skipped', 'asked', 'held', 'taken-back'][$dice->getInt(0, 5)];

        return $this->postJson('/api/bench/'.$run.'/events', [
            'id' => Str::uuid()->toString(),
            'kind' => $kind,
            'run' => $piece['run'],
            'step' => $piece['id'],
            'note' => 'by chance',
            'took' => $dice->getInt(5, 90),
        ])->getStatusCode();
    }

    private function tested(string $run, Randomizer $dice): int
    {
        $sheet = $this->as('tester')
            ->getJson('/api/runs/'.$run.'/test')
            ->json();
        $lights = $sheet['expected'] ?? [];
        if ($dice->getInt(0, 3) === 0) {
            $lights = array_slice($lights, 0, 1);
        }

        return $this->record('tester', $run, [
            'kind' => 'tested',
            'reading' => ['lights' => $lights],
            'on' => $sheet['basis'] ?? [],
            'stage' => ['bench', 'installed'][$dice->getInt(0, 1)],
        ]);
    }

    /** @param  array<string, mixed>  $event */
    private function record(string $role, string $run, array $event): int
    {
        return $this->as($role)
            ->postJson('/api/events', ['id' => Str::uuid()->toString(), 'run' => $run] + $event)
            ->getStatusCode();
    }

    public function test_who_has_an_answer_is_told_that_it_holds_until_it_does_not(): void
    {
        $first = $this->as('planner')->getJson('/api/labels')->assertOk();
        $tag = (string) $first->headers->get('ETag');
        self::assertStringStartsWith('W/"', $tag);
        $asked = [];
        DB::listen(static function ($query) use (&$asked): void {
            $asked[] = $query->sql;
        });
        $held = $this->getJson('/api/labels', ['If-None-Match' => $tag])->assertStatus(304);
        self::assertSame('', $held->getContent());
        self::assertLessThan(14, count($asked));
        self::assertSame([], preg_grep('~from "(runs|entries|events)"~', $asked));
        // Somebody prints one, within the same second even.
        $id = $first->json('labels.0.id');
        $this->postJson('/api/labels/printed', ['ids' => [$id]])->assertOk();
        $this->getJson('/api/labels', ['If-None-Match' => $tag])
            ->assertOk()
            ->assertJsonPath('labels.0.state', 'printed');
        // Of another installation's nothing holds here.
        self::assertNotSame($tag, $this->getJson('/api/building')->headers->get('ETag'));
    }

    public function test_what_is_kept_reads_neither_the_installation_nor_its_record(): void
    {
        $asked = [];
        DB::listen(static function ($query) use (&$asked): void {
            $asked[] = $query->sql;
        });
        foreach (['site', 'schedule', 'handover', 'runs/A-118', 'runs/A-118/test', 'cutting', 'outstanding'] as $page) {
            $this->as('lead')
                ->getJson('/api/'.$page)
                ->assertOk();
            $this->record('installer', 'M-201', ['kind' => 'labelled']);
            $asked = [];
            $this->as('lead')
                ->getJson('/api/'.$page)
                ->assertOk();
            self::assertLessThan(34, count($asked), $page);
            self::assertSame([], preg_grep('~from "runs"~', $asked), $page);
        }
    }

    public function test_what_is_too_much_or_too_old_is_not_kept(): void
    {
        Kept::putAll($this->installation, [], Kept::state('a'));
        Kept::put($this->installation, 'old', Kept::state('a'), 'long ago');
        Kept::put($this->installation, 'new', Kept::state('a'), 'now');
        DB::table('kept')
            ->where('name', 'old')
            ->update(['made_at' => now()->subDays(8)]);
        Kept::prune($this->installation);
        self::assertNull(Kept::last($this->installation, 'old'));
        self::assertSame('now', Kept::get($this->installation, 'new', Kept::state('a')));
        self::assertNull(Kept::get($this->installation, 'new', Kept::state('b')));
        // A part of what is kept together stays with the whole; one that is of another state does not.
        foreach (['jobs' => 'b', 'jobs ahead 0' => 'b', 'jobs 0' => 'a', 'apart 0' => 'b'] as $name => $of) {
            Kept::put($this->installation, $name, Kept::state($of), 'part');
        }
        $this->as('lead')->getJson('/api/site')->assertOk();
        $parts = static fn (): array => DB::table('kept')
            ->where('name', 'like', 'cables on site %')
            ->orWhere('name', 'like', 'standing at work %')
            ->orderBy('name')
            ->pluck('name')
            ->all();
        $known = $parts();
        self::assertGreaterThan(60, count($known));
        DB::table('kept')
            ->where('name', 'similar to', '(jobs|apart|cables on site|standing at work) %')
            ->update(['made_at' => now()->subDays(8)]);
        Kept::prune($this->installation);
        self::assertSame($known, $parts());
        self::assertNull(Kept::last($this->installation, 'apart 0'));
        self::assertSame('part', Kept::get($this->installation, 'jobs ahead 0', Kept::state('b')));
        self::assertNull(Kept::last($this->installation, 'jobs 0'));
        DB::statement(
            "insert into kept select ?, 'many ' || n, 'x', 'x'::bytea, now() - make_interval(secs => n)
            from generate_series(1, 16000) n",
            [$this->installation->id],
        );
        Kept::prune($this->installation);
        self::assertSame(15000, DB::table('kept')->count());
        self::assertSame('now', Kept::get($this->installation, 'new', Kept::state('a')));
    }
}
