<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Http\Ahead\Ahead;
use App\Http\Ahead\AheadPages;
use App\Http\LastOpened;
use App\Models\StoredInstallation;
use App\Models\StoredRun;
use App\Planning\Loaded;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\TestCase;

/** Pages that follow from all runs are made before somebody looks, and are what they would be if they were not. */
final class AheadTest extends TestCase
{
    /** Twelve answers, and what jobs and testing share: every page but these two is one of them. */
    private const MADE = 12;

    private const PAGES = [
        'schedule',
        'outstanding',
        'bench',
        'tests/progress',
        'cutting',
        'site',
        'handover',
        'labels/shown?usual=1&only=left',
        'looms',
        'building?brief=1',
        'reach?brief=1',
        'parts?scope=installation&brief=1',
        'service',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        DB::table('sessions')->delete();
        DB::table('kept')->delete();
    }

    private function there(string $role, int $minutes = 0): void
    {
        $person = $this->person($role);
        LastOpened::put($person, $this->installation);
        DB::table('sessions')->insert([
            'id' => Str::random(40),
            'user_id' => $person->id,
            'payload' => '',
            'last_activity' => now()->subMinutes($minutes)->getTimestamp(),
        ]);
    }

    private function ahead(): Ahead
    {
        // As in a process that nobody has asked for anything.
        $this->app->forgetInstance(StoredInstallation::class);
        $this->app['auth']->forgetGuards();

        return $this->app->make(Ahead::class);
    }

    /** @return array<string, string> */
    private function looks(): array
    {
        $seen = [];
        foreach (self::PAGES as $page) {
            $seen[$page] = (string) $this->as('lead')->getJson('/api/'.$page)->assertOk()->getContent();
        }

        return $seen;
    }

    private function decides(string $run, string $tail): void
    {
        $version = StoredRun::query()
            ->where('installation_id', $this->installation->id)
            ->where('key', $run)
            ->value('version');
        $this->as('planner')->patchJson('/api/runs/'.$run, [
            'version' => $version,
            'line' => ['tail_a' => $tail],
        ])->assertOk();
    }

    public function test_what_was_looked_at_is_made_again_once_nobody_decides_any_more(): void
    {
        $this->there('lead');
        $before = $this->looks();
        self::assertSame(self::MADE, $this->ahead()->make($this->installation->refresh()));
        self::assertNull($this->ahead()->next());
        $this->decides('A-133', '1.5');
        self::assertNull($this->ahead()->next(), 'more may be decided');
        $this->travel(5)->seconds();
        $stored = $this->ahead()->next();
        self::assertSame($this->installation->id, $stored?->id);
        self::assertSame(self::MADE, $this->ahead()->make($stored));
        self::assertNull($this->ahead()->next());
        $this->app->forgetInstance(Loaded::class);
        $read = 0;
        DB::listen(static function ($query) use (&$read): void {
            $read += (int) (str_contains($query->sql, 'from "runs"') && str_contains($query->sql, '"definition"'));
        });
        $made = $this->looks();
        self::assertSame(0, $read, 'nobody reads runs for it any more');
        DB::table('kept')->delete();
        self::assertSame($this->looks(), $made);
        self::assertGreaterThan(0, $read);
        self::assertNotSame($before['cutting'], $made['cutting']);
        self::assertNotSame($before['site'], $made['site']);
    }

    public function test_nothing_is_made_for_nobody_and_nothing_that_nobody_has_looked_at(): void
    {
        $this->looks();
        self::assertNull($this->ahead()->next(), 'nobody is there');
        $this->there('lead', minutes: 40);
        self::assertNull($this->ahead()->next(), 'who was there is gone');
        $this->there('bench', minutes: 10);
        self::assertNotNull($this->ahead()->next());
        DB::table('kept')->delete();
        $this->as('lead')->getJson('/api/site')->assertOk();
        self::assertSame(2, $this->ahead()->make($this->installation->refresh()), 'what is shared, and that page');
    }

    public function test_who_decides_meanwhile_ends_it_and_it_begins_anew(): void
    {
        $this->there('lead');
        $this->looks();
        $stored = $this->installation->refresh();
        $this->decides('A-133', '1.5');
        self::assertSame(0, $this->ahead()->make($stored));
        $this->travel(5)->seconds();
        self::assertNotNull($this->ahead()->next());
    }

    public function test_what_is_recorded_while_pages_are_made_is_in_them(): void
    {
        $this->there('lead');
        $this->looks();
        $this->decides('A-133', '1.5');
        $stored = $this->installation->refresh();
        $recorded = false;
        DB::listen(function ($query) use (&$recorded): void {
            if (! $recorded && str_contains($query->sql, 'insert into kept')) {
                $recorded = true;
                $this->as('installer')->postJson('/api/events', [
                    'id' => (string) Str::uuid(),
                    'kind' => 'dressed',
                    'run' => 'C-420',
                ])->assertCreated();
                // Where everything stands is made anew, of what was read.
                DB::table('kept')->where('name', 'like', 'standing%')->delete();
            }
        });
        $this->ahead()->make($stored);
        self::assertTrue($recorded);
        $made = $this->looks();
        DB::table('kept')->delete();
        self::assertSame($this->looks(), $made);
    }

    public function test_one_reading_serves_all_pages_until_something_is_recorded(): void
    {
        $runs = StoredRun::query()->where('installation_id', $this->installation->id);
        $place = $runs->where('key', 'A-122')->sole()->definition['b']['location'];
        $leeway = 'places/'.$place.'/leeway';
        $pages = $this->app->make(AheadPages::class);
        $made = [(string) $pages->make($this->installation, $leeway)->getContent()];
        $loaded = $this->app->make(Loaded::class);
        $pages->make($this->installation, 'looms');
        self::assertSame($loaded, $this->app->make(Loaded::class));
        $cut = ['id' => (string) Str::uuid(), 'kind' => 'cut', 'run' => 'A-122'];
        $this->as('bench')->postJson('/api/events', $cut)->assertCreated();
        // That was another process.
        $this->app->instance(Loaded::class, $loaded);
        $this->app->instance(StoredInstallation::class, $this->installation);
        $made[] = (string) $pages->make($this->installation, $leeway)->getContent();
        self::assertNotSame($made[0], $made[1]);
        DB::table('kept')->delete();
        $this->app->forgetInstance(Loaded::class);
        self::assertSame($made[1], (string) $this->as('planner')->getJson('/api/'.$leeway)->getContent());
    }
}
