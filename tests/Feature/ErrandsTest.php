<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Errands\CalledOff;
use App\Errands\Doing;
use App\Errands\MakePack;
use App\Errands\MakeRelease;
use App\Errands\Progress;
use App\Errands\RunErrand;
use App\Formats\FileImporter;
use App\Handover\PackDesk;
use App\Models\Errand;
use App\Models\StoredInstallation;
use App\Releases\ReleaseDesk;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use RuntimeException;
use Sartal\Core\File\InstallationFile;
use Tests\TestCase;

/** What takes long is asked for, waits for a worker, tells how far it is, and is called off. */
final class ErrandsTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        config(['queue.default' => 'database']);
        DB::table('jobs')->delete();
    }

    private function asked(string $by = 'lead'): string
    {
        $errand = $this->as($by)->postJson('/api/packs')->assertStatus(202)->json();
        self::assertSame(['waiting', true, []], [$errand['state'], $errand['mine'], (array) $errand['result']]);

        return $errand['id'];
    }

    private function work(): void
    {
        $this->artisan('queue:work', ['--once' => true, '--sleep' => 0])->run();
    }

    /** @return array<string, mixed> */
    private function told(string $errand): array
    {
        return $this->as('lead')->getJson('/api/errands/'.$errand)->assertOk()->json();
    }

    /** @param  callable(Errand, Progress): array<string, int|string>  $as */
    private function doing(callable $as, string $kind = MakePack::class): void
    {
        $this->app->bind($kind, static fn (): Doing => new class($as) implements Doing
        {
            /** @param  callable(Errand, Progress): array<string, int|string>  $as */
            public function __construct(private mixed $as)
            {
            }

            public function do(Errand $errand, Progress $progress): array
            {
                return ($this->as)($errand, $progress);
            }

            public function over(Errand $errand): void
            {
            }
        });
    }

    public function test_a_worker_does_what_was_asked_for_one_after_the_other(): void
    {
        [$first, $second] = [$this->asked(), $this->asked('planner')];
        self::assertSame([0, 1], [$this->told($first)['before'], $this->told($second)['before']]);
        self::assertSame(0, $this->installation->packs()->count());
        $this->work();
        $told = $this->told($first);
        self::assertSame(['done', ['pack' => 1]], [$told['state'], $told['result']]);
        self::assertSame(['waiting', 0], [$this->told($second)['state'], $this->told($second)['before']]);
        $this->work();
        self::assertSame(['pack' => 2], $this->told($second)['result']);
        self::assertSame(
            [[$second, false], [$first, true]],
            array_map(
                static fn (array $each): array => [$each['id'], $each['mine']],
                $this->getJson('/api/errands')->assertOk()->json('errands'),
            ),
        );
        self::assertSame(0, DB::table('jobs')->count());
    }

    public function test_a_release_is_of_what_was_decided_when_it_was_asked_for(): void
    {
        $ask = fn (): string => $this->as('planner')
            ->postJson('/api/releases', ['note' => 'for the shop'])
            ->assertStatus(202)
            ->json('id');
        $note = fn (string $text) => $this->as('planner')->patchJson('/api/runs/A-118', [
            'line' => ['note' => $text],
            'version' => $this->getJson('/api/runs/A-118')->json('version'),
        ])->assertOk();
        $late = $ask();
        $note('decided after it');
        $this->work();
        $told = $this->told($late);
        self::assertSame('failed', $told['state']);
        self::assertStringStartsWith('Somebody has decided something since.', $told['problem']);
        self::assertNull($this->installation->refresh()->release_id);
        // Somebody decides while a worker is at it.
        $during = $ask();
        $desk = $this->app->make(ReleaseDesk::class);
        $this->doing(function (Errand $of) use ($desk, $note): array {
            $tell = static fn (string $step) => $step === 'Signature' ? $note('decided during it') : null;
            self::assertNull($desk->release($this->installation->refresh(), $of->user, '', $tell));

            return [];
        }, MakeRelease::class);
        $this->work();
        self::assertSame('done', $this->told($during)['state']);
        self::assertSame(0, $this->installation->releases()->count());
        $this->app->offsetUnset(MakeRelease::class);
        $errand = $ask();
        $this->work();
        $told = $this->told($errand);
        self::assertSame(['done', ['letter' => 'A'], 3, 4], [
            $told['state'],
            $told['result'],
            $told['done'],
            $told['of'],
        ]);
        $release = $this->installation->refresh()->releases()->with('user')->sole();
        self::assertSame([$release->id, 'for the shop'], [$this->installation->release_id, $release->note]);
        self::assertTrue(ReleaseDesk::holds($release, $this->installation));
        self::assertStringContainsString('decided during it', $release->document);
        $called = $ask();
        $this->deleteJson('/api/errands/'.$called)->assertOk();
        $this->work();
        self::assertSame(1, $this->installation->releases()->count());
    }

    public function test_what_nobody_has_begun_is_called_off_at_once(): void
    {
        $errand = $this->asked();
        $off = $this->as('lead')->deleteJson('/api/errands/'.$errand)->assertOk()->json();
        self::assertSame('called-off', $off['state']);
        self::assertNotNull($off['ended']);
        $this->work();
        self::assertSame('called-off', $this->told($errand)['state']);
        self::assertSame(0, $this->installation->packs()->count());
    }

    public function test_what_is_under_way_stops_where_it_tells_next_how_far_it_is_and_leaves_nothing(): void
    {
        $errand = $this->asked();
        $desk = $this->app->make(PackDesk::class);
        $this->doing(function (Errand $of, Progress $progress) use ($errand, $desk): array {
            $steps = 0;
            $desk->make($this->installation, $of->user, function (...$told) use ($progress, $errand, &$steps): void {
                if (++$steps === 13) {
                    self::assertNotSame([], Storage::disk('local')->allFiles('packs'));
                    self::assertSame('under-way', $this->told($errand)['state']);
                    $this->as('lead')->deleteJson('/api/errands/'.$errand)->assertOk();
                }
                $progress->tell(...$told);
            });
            self::fail('It went on.');
        });
        $this->work();
        $told = $this->told($errand);
        self::assertSame(['called-off', 11, 14], [$told['state'], $told['done'], $told['of']]);
        self::assertSame(0, $this->installation->packs()->count());
        self::assertSame([], Storage::disk('local')->allFiles('packs'));
    }

    public function test_what_fails_says_so_and_the_next_one_goes_on(): void
    {
        $errand = $this->asked();
        $this->doing(static fn (): never => throw new RuntimeException('no room'));
        $this->work();
        $told = $this->told($errand);
        self::assertSame('failed', $told['state']);
        self::assertStringContainsString('The pack could not be made: RuntimeException.', $told['problem']);
        self::assertStringNotContainsString('no room', $told['problem']);
        $this->app->offsetUnset(MakePack::class);
        $next = $this->asked();
        $this->work();
        self::assertSame('done', $this->told($next)['state']);
    }

    public function test_whoever_goes_in_the_middle_is_heard_of_and_nothing_is_done_twice(): void
    {
        [$broken, $whole] = [$this->asked(), $this->asked()];
        DB::table('errands')->where('id', $broken)->update(['state' => 'under-way']);
        (new RunErrand($broken))->handle($this->app);
        self::assertSame('under-way', $this->told($broken)['state'], 'somebody else is at it');
        (new RunErrand($broken))->failed();
        self::assertSame('failed', $this->told($broken)['state']);
        (new RunErrand($whole))->handle($this->app);
        (new RunErrand($whole))->handle($this->app);
        (new RunErrand($whole))->failed();
        self::assertSame('done', $this->told($whole)['state']);
        self::assertSame(1, $this->installation->packs()->count());
    }

    public function test_it_is_called_off_by_who_asked_or_by_a_lead(): void
    {
        $errand = $this->asked('planner');
        foreach (['bench', 'tester'] as $other) {
            $this->as($other)->deleteJson('/api/errands/'.$errand)->assertForbidden();
        }
        self::assertFalse($this->as('bench')->getJson('/api/errands/'.$errand)->assertOk()->json('mine'));
        $this->as('lead')->deleteJson('/api/errands/'.$errand)->assertOk();
        $own = $this->asked('planner');
        self::assertSame('called-off', $this->as('planner')->deleteJson('/api/errands/'.$own)->json('state'));
        $this->getJson('/api/errands/none')->assertNotFound();
        $this->deleteJson('/api/errands/'.fake()->uuid())->assertNotFound();
    }

    public function test_it_is_of_one_installation(): void
    {
        $errand = $this->asked();
        $elsewhere = self::bare('pump-house', 'Pump house');
        $elsewhere->take($this->person('lead'), ['lead'], []);
        $this->as('lead')->getJson('/api/i/'.$elsewhere->address.'/errands/'.$errand)->assertNotFound();
        $this->deleteJson('/api/i/'.$elsewhere->address.'/errands/'.$errand)->assertNotFound();
        self::assertSame([], $this->getJson('/api/i/'.$elsewhere->address.'/errands')->json('errands'));
        self::assertSame('waiting', $this->told($errand)['state']);
    }

    public function test_how_it_ended_is_told_for_two_weeks(): void
    {
        [$old, $recent, $open] = [$this->asked(), $this->asked(), $this->asked()];
        DB::table('errands')->where('id', $old)->update(['state' => 'done', 'ended_at' => now()->subDays(15)]);
        DB::table('errands')->where('id', $recent)->update(['state' => 'done', 'ended_at' => now()->subDays(13)]);
        $this->asked();
        $this->getJson('/api/errands/'.$old)->assertNotFound();
        self::assertSame('done', $this->told($recent)['state']);
        self::assertSame('waiting', $this->told($open)['state']);
    }

    public function test_progress_of_what_is_called_off_is_not_told(): void
    {
        $errand = Errand::query()->findOrFail($this->asked());
        $progress = new Progress($errand);
        $progress->tell('Schedule', 3, 14);
        self::assertSame(['Schedule', 3, 14], [$errand->refresh()->words, $errand->done, $errand->of]);
        DB::table('errands')->where('id', $errand->id)->update(['is_called_off' => true]);
        $this->expectException(CalledOff::class);
        $progress->tell('Panels', 4, 14);
    }

    private function sends(string $text, string $by = 'planner'): string
    {
        return $this->as($by)->post(
            '/api/arrivals',
            ['file' => UploadedFile::fake()->createWithContent('x.json', $text)],
            ['Accept' => 'application/json'],
        )->assertStatus(202)->json('id');
    }

    private static function second(): string
    {
        $file = json_decode(self::demo(), true, 64, JSON_THROW_ON_ERROR);
        $file['installation']['id'] = 'second';

        return json_encode($file, JSON_THROW_ON_ERROR);
    }

    public function test_a_file_is_brought_in_by_a_worker_and_is_its_sender_s_until_then(): void
    {
        $arrival = $this->sends(self::second());
        self::assertCount(1, Storage::disk('local')->allFiles('arrivals'));
        $this->as('lead')->getJson('/api/arrivals/'.$arrival)->assertNotFound();
        $this->deleteJson('/api/arrivals/'.$arrival)->assertNotFound();
        $this->getJson('/api/errands/'.$arrival)->assertNotFound();
        self::assertSame([], $this->getJson('/api/arrivals')->json('errands'));
        $this->work();
        $told = $this->as('planner')->getJson('/api/arrivals')->assertOk()->json('errands.0');
        self::assertSame([$arrival, 'done', 1], [$told['id'], $told['state'], $told['of']]);
        $made = StoredInstallation::query()->where('key', 'second')->sole();
        self::assertSame(['address' => $made->address, 'name' => $made->name], $told['result']);
        self::assertSame(46, $made->runs()->count());
        self::assertSame([], Storage::disk('local')->allFiles('arrivals'));
    }

    public function test_a_file_that_is_called_off_leaves_nothing_begun_or_not(): void
    {
        $waiting = $this->sends(self::second());
        $this->as('planner')->deleteJson('/api/arrivals/'.$waiting)->assertOk()->assertJsonPath('state', 'called-off');
        self::assertSame([], Storage::disk('local')->allFiles('arrivals'));
        $begun = $this->sends(self::second());
        DB::listen(static function ($query) use ($begun): void {
            if (str_contains($query->sql, 'insert into "runs"')) {
                DB::table('errands')->where('id', $begun)->update(['is_called_off' => true]);
            }
        });
        $this->travel(1)->seconds();
        $importer = $this->app->make(FileImporter::class);
        $file = InstallationFile::parse(self::second());
        $progress = new Progress(Errand::query()->findOrFail($begun));
        try {
            $importer->import($file, self::organisation(), true, static fn () => $progress->tell('so far', 1, 2));
            self::fail('It went on.');
        } catch (CalledOff) {
            self::assertNull(StoredInstallation::query()->where('key', 'second')->first());
        }
    }

    public function test_all_that_is_wrong_with_a_file_is_told_and_the_file_goes(): void
    {
        $file = json_decode(self::second(), true, 64, JSON_THROW_ON_ERROR);
        $file['runs'][0]['cable'] = 7;
        $file['record'][0]['kind'] = 'baked';
        $arrival = $this->sends(json_encode($file, JSON_THROW_ON_ERROR));
        $this->work();
        $told = $this->as('planner')->getJson('/api/arrivals/'.$arrival)->assertOk()->json();
        self::assertSame(['failed', 0], [$told['state'], $told['more']]);
        self::assertSame(['runs[0].cable', 'record[0].kind'], array_column($told['problems'], 'path'));
        self::assertSame('baked', $told['problems'][1]['value']);
        self::assertSame([], Storage::disk('local')->allFiles('arrivals'));
        $this->postJson('/api/arrivals', [])->assertUnprocessable()->assertJsonPath('problems.0.path', 'file');
    }
}
