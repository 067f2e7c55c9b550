<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use App\Planning\FamilyNames;
use App\Planning\ShippedCatalogue;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\TestCase;

/** People, what they were given, benches and tools, and the board. */
final class BoardTest extends TestCase
{
    public function test_what_was_given_shows_at_the_bench_and_in_the_forecast(): void
    {
        $bench = $this->person('bench');
        $this->as('lead')
            ->postJson('/api/crew/given', ['person' => $bench->key, 'kind' => 'loom', 'key' => 'L4'])
            ->assertCreated();
        $this->postJson('/api/crew/given', [
            'person' => $bench->key,
            'kind' => 'loom',
            'key' => 'L99',
        ])->assertUnprocessable();
        $given = fn (string $who): array => $this->as($who)->getJson('/api/present')->assertOk()->json('given');
        self::assertSame(['looms' => ['L4'], 'jobs' => [], 'skills' => []], $given('bench'));
        self::assertSame(['looms' => [], 'jobs' => [], 'skills' => []], $given('bench2'));
        $given = $this->as('lead')->getJson('/api/crew')->json('given.0.id');
        $this->deleteJson('/api/crew/given/'.$given)->assertOk();
        self::assertSame([], $this->getJson('/api/crew')->json('given'));
    }

    public function test_the_board_says_when_by_what_and_what_nobody_can_do(): void
    {
        $board = $this->as('lead')->getJson('/api/crew/board')->assertOk()->json();
        self::assertGreaterThan(1.0, $board['forecast']['hours']['value']);
        self::assertSame([], $board['forecast']['stuck']);
        self::assertNotSame('', $board['forecast']['bottleneck']);
        self::assertStringContainsString(
            'crew’s own times',
            $board['forecast']['basis'],
            'the demo has its own times for crimping',
        );
        self::assertNotEmpty($board['forecast']['ahead'][$this->person('bench')->key]);
        $lead = $this->person('lead');
        $this->patchJson('/api/crew/'.$lead->key, [
            'version' => 1,
            'roles' => ['lead'],
            'skills' => ['solder'],
        ])->assertOk();
        $stuck = $this->getJson('/api/crew/board')->json('forecast.stuck');
        self::assertNotEmpty($stuck);
        self::assertStringContainsString('mains', implode($stuck));
    }

    public function test_a_job_is_moved_from_one_to_another_and_back_and_the_board_shows_whose_it_is(): void
    {
        $give = fn (string $who, array $more = []) => $this->as('lead')->postJson('/api/crew/given', $more + [
            'person' => $this->person($who)->key,
            'kind' => 'assembly',
            'key' => 'M-203',
        ])->assertCreated();
        $holders = fn (): array => collect($this->getJson('/api/crew')->json('given'))
            ->where('key', 'M-203')->pluck('person')->sort()->values()->all();
        $mine = function (string $who): array {
            $ahead = $this->as('lead')->getJson('/api/crew/board')->json('forecast.ahead');

            return collect($ahead[$this->person($who)->key] ?? [])
                ->where('job', 'M-203')->pluck('isGiven')->unique()->values()->all();
        };
        self::assertContains([false], [$mine('bench'), $mine('bench2')]);
        self::assertTrue($give('bench')->json('isNew'));
        self::assertSame([true], $mine('bench'));
        self::assertSame([], $mine('bench2'));
        $moved = $give('bench2', ['only' => true])->json();
        self::assertSame([[$this->person('bench')->key], true], [$moved['was'], $moved['isNew']]);
        self::assertSame([[], [true]], [$mine('bench'), $mine('bench2')]);
        self::assertSame([$this->person('bench2')->key], $holders());
        $again = $give('bench2', ['only' => true])->json();
        self::assertSame([[], false, $moved['id']], [$again['was'], $again['isNew'], $again['id']]);
        $give('bench');
        $this->deleteJson('/api/crew/given/'.$moved['id'])->assertOk();
        self::assertSame([$this->person('bench')->key], $holders());
        $this->postJson('/api/crew/given', [
            'person' => $this->person('bench')->key,
            'kind' => 'assembly',
            'key' => 'M-999',
        ])->assertUnprocessable();
    }

    /** What one person does on one job in one go is told together, and nobody is in two places at once. */
    public function test_what_is_ahead_lies_one_after_the_other(): void
    {
        $ahead = $this->as('lead')->getJson('/api/crew/board')->json('forecast.ahead');
        self::assertNotEmpty($ahead);
        foreach ($ahead as $bookings) {
            self::assertLessThanOrEqual(12, count($bookings));
            foreach (array_slice($bookings, 1) as $i => $next) {
                $end = $bookings[$i]['from'] + $bookings[$i]['minutes'];
                self::assertGreaterThanOrEqual($end - 0.11, $next['from'], 'to a tenth of a minute');
                self::assertFalse($next['job'] === $bookings[$i]['job'] && $next['from'] < $end + 0.8);
            }
        }
        self::assertGreaterThan(0, max(array_map(
            static fn (array $bookings): int => max(array_column($bookings, 'more')),
            $ahead,
        )));
    }

    /** Given by one of its runs: it is found as it is joined today. */
    public function test_a_job_that_was_given_is_told_as_it_is_called_today(): void
    {
        $joined = collect($this->as('lead')->getJson('/api/bench')->json('jobs'))
            ->first(static fn (array $job): bool => count($job['codes']) > 1);
        $run = collect($joined['codes'])->last();
        self::assertNotSame($joined['id'], $run, 'it is called after another one of its runs');
        $this->give('A-119');
        // As it was given before it was joined.
        DB::table('assignments')->update(['key' => $run]);
        self::assertSame([$joined['id']], $this->as('bench')->getJson('/api/present')->json('given.jobs'));
    }

    /** Asked for again and again, the board is some seconds old, and says so; a decision is never left out. */
    public function test_the_board_is_kept_for_some_seconds_for_those_who_take_it_so(): void
    {
        $this->travelTo('2026-11-02 09:00:00');
        $first = $this->as('lead')->getJson('/api/crew/board?roughly=1')->assertOk()->json();
        self::assertSame('2026-11-02T09:00:00Z', $first['at']);
        $hold = fn (string $run) => $this->postJson('/api/bench/'.$run.'/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'held',
            'run' => $run,
            'note' => 'out of boots',
            'at' => now('UTC')->format('Y-m-d\TH:i:s\Z'),
        ])->assertCreated();
        $hold('A-121');
        $this->travel(5)->seconds();
        self::assertSame($first, $this->getJson('/api/crew/board?roughly=1')->json(), 'five seconds later');
        $now = $this->getJson('/api/crew/board')->json();
        self::assertCount(count($first['stopped']) + 1, $now['stopped'], 'who looks now sees it');
        $this->travel(25)->seconds();
        $later = $this->getJson('/api/crew/board?roughly=1')->json();
        self::assertSame($now['stopped'], $later['stopped']);
        self::assertSame('2026-11-02T09:00:30Z', $later['at']);
        $this->give('A-119');
        $this->travel(1)->seconds();
        self::assertSame('2026-11-02T09:00:31Z', $this->getJson('/api/crew/board?roughly=1')->json('at'));
    }

    private function give(string $run): void
    {
        $this->as('lead')
            ->postJson('/api/crew/given', [
                'person' => $this->person('bench')->key,
                'kind' => 'assembly',
                'key' => $run,
            ])
            ->assertCreated();
    }

    public function test_fewer_benches_take_longer_and_a_shared_tool_is_saved_like_any_decision(): void
    {
        $crew = $this->as('lead')->getJson('/api/crew')->json();
        self::assertContains('rotary stripper', $crew['tools']);
        $hours = fn (): float => $this->getJson('/api/crew/board')->json('forecast.hours.value');
        $before = $hours();
        $this->putJson('/api/workshop', [
            'workshop' => ['benches' => 1] + $crew['workshop'],
            'version' => $crew['version'],
        ])->assertOk();
        self::assertGreaterThan($before * 1.5, $hours());
        $this->putJson('/api/workshop', [
            'workshop' => $crew['workshop'],
            'version' => $crew['version'],
        ])->assertConflict();
        $this->putJson('/api/workshop', ['workshop' => ['benches' => -1], 'version' => 2])->assertUnprocessable();
    }

    public function test_what_goes_wrong_is_counted_by_family_of_connector(): void
    {
        $job = $this->as('bench')->getJson('/api/bench/M-202')->json('job');
        $join = collect($job['steps'])->where('side', 'B')->firstWhere('task', 'join')['pieces'][0];
        $inspect = collect($job['steps'])->where('side', 'B')->firstWhere('task', 'inspect')['pieces'][0];
        $send = fn (array $event) => $this->postJson(
            '/api/bench/M-202/events',
            $event + ['id' => Str::uuid()->toString(), 'run' => 'M-202'],
        )->assertCreated();
        $send(['kind' => 'flagged', 'step' => $join['id'], 'flag' => 'damaged']);
        $send([
            'kind' => 'reworked',
            'step' => $inspect['id'],
            'note' => 'A strand stands out: make the end again; Bare core shows: put it right now',
            'remedy' => 'remake',
        ]);
        $family = collect($this->as('lead')->getJson('/api/crew/board')->json('families'))->first(
            fn (array $line): bool => $line['reworked'] > 0,
        );
        self::assertSame(
            [1, 1, 1, 0],
            [$family['looked'], $family['reworked'], $family['flags'], (int) $family['yield']],
        );
        self::assertSame(
            ['A strand stands out' => 1, 'Bare core shows' => 1, 'damaged' => 1],
            collect($family['found'])->sortKeys()->all(),
        );
        self::assertStringNotContainsString('Tove', (string) json_encode($family), 'what, not whom');
    }

    public function test_every_shipped_family_of_connectors_has_a_name_of_its_own(): void
    {
        $families = [];
        foreach (ShippedCatalogue::load()->connectors() as $type) {
            $families[$type->family] = FamilyNames::of($type->family);
        }
        self::assertGreaterThan(20, count($families));
        self::assertSame($families, array_unique($families));
        foreach ($families as $family => $name) {
            self::assertNotSame($family, $name);
        }
        self::assertSame('of the house', FamilyNames::of('of the house'));
    }
}
