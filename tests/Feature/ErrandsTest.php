<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Errands\CalledOff;
use App\Errands\Doing;
use App\Errands\MakePack;
use App\Errands\Progress;
use App\Errands\RunErrand;
use App\Handover\PackDesk;
use App\Models\Errand;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use RuntimeException;
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
    private function doing(callable $as): void
    {
        $this->app->bind(MakePack::class, static fn (): Doing => new class($as) implements Doing
        {
            /** @param  callable(Errand, Progress): array<string, int|string>  $as */
            public function __construct(private mixed $as)
            {
            }

            public function do(Errand $errand, Progress $progress): array
            {
                return ($this->as)($errand, $progress);
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
}
