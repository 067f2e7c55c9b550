<?php

declare(strict_types=1);

namespace Tests\Feature\Proof;

use App\Models\StoredEvent;
use Illuminate\Support\Str;
use Tests\TestCase;

final class TestsTest extends TestCase
{
    /**
     * @param  array<string, list<string>>  $with
     * @return array<string, mixed>
     */
    private function reading(string $run, array $with = []): array
    {
        return [
            'lights' => [
                ...$this->as('tester')
                    ->getJson('/api/runs/'.$run.'/test')
                    ->assertOk()
                    ->json('expected'),
                ...$with,
            ],
        ];
    }

    public function test_a_swap_is_diagnosed_recorded_mended_and_retested(): void
    {
        $bad = $this->reading('A-118', ['t:A-118.a1/2' => ['t:A-118.b1/3'], 't:A-118.a1/3' => ['t:A-118.b1/2']]);
        $said = $this->postJson('/api/runs/A-118/test', ['reading' => $bad])
            ->assertOk()
            ->assertJsonPath('verdict', 'fails')
            ->json('troubles.0.causes');
        self::assertSame(['A', 'B'], [$said[0][0]['side'], $said[1][0]['side']]);
        self::assertStringContainsString('Polarity', $said[0][0]['consequence']);

        $record = fn (string $role, array $event): \Illuminate\Testing\TestResponse => $this->as($role)->postJson(
            '/api/events',
            ['id' => Str::uuid()->toString(), 'run' => 'A-118', ...$event],
        );
        $state = fn (): string => collect($this->getJson('/api/runs/A-118')->json('strand'))->firstWhere(
            'stage',
            'test',
        )['state'];
        $record('tester', [
            'kind' => 'tested',
            'reading' => $bad,
            'instrument' => 'Loom tester 2',
            'note' => 'as found',
        ])->assertCreated();
        self::assertSame('failed', $state());
        $record('bench', ['kind' => 'remade', 'side' => 'B'])->assertCreated();
        self::assertSame('to-do', $state());
        $record('tester', ['kind' => 'tested', 'reading' => $this->reading('A-118')])->assertCreated();
        self::assertSame('done', $state());
        $history = collect($this->getJson('/api/runs/A-118')->json('history'))
            ->where('kind', 'tested')
            ->values();
        self::assertSame(['passes', 'fails'], $history->pluck('verdict')->all());
        self::assertSame(
            ['Sunniva Pryde', 'Loom tester 2', 'as found'],
            [$history[1]['who'], $history[1]['instrument'], $history[1]['note']],
        );
    }

    public function test_a_repeated_write_is_recorded_once(): void
    {
        $event = [
            'id' => Str::uuid()->toString(),
            'kind' => 'tested',
            'run' => 'A-118',
            'reading' => $this->reading('A-118'),
        ];
        $this->postJson('/api/events', $event)->assertCreated()->assertJsonPath('new', true);
        $this->postJson('/api/events', $event)->assertOk()->assertJsonPath('new', false);
        self::assertSame(1, StoredEvent::query()->where('uuid', $event['id'])->count());
    }

    public function test_an_instrument_that_is_called_something_else_keeps_its_results_and_their_calibration(): void
    {
        $instrument = $this->installation->entries()->where('kind', 'instrument')->firstOrFail();
        $name = $instrument->definition['name'];
        $this->postJson('/api/events', [
            'id' => ($id = Str::uuid()->toString()),
            'kind' => 'tested',
            'run' => 'A-118',
            'reading' => $this->reading('A-118'),
            'instrument' => $name.', a borrowed meter',
            'with' => ['whatever'],
        ])->assertCreated();
        self::assertSame(
            [$instrument->key, ''],
            StoredEvent::query()->where('uuid', $id)->firstOrFail()->definition['with'],
        );
        $this->putJson('/api/instruments', [
            'part' => ['name' => 'Tester of the north wing', 'calibratedTo' => '2020-01-01'] + $instrument->definition,
            'version' => $instrument->version,
        ])->assertOk();
        $run = $this->getJson('/api/runs/A-118')->assertOk()->json();
        self::assertSame(
            'Tester of the north wing, a borrowed meter',
            collect($run['history'])->firstWhere('id', $id)['instrument'],
        );
        self::assertStringContainsString(
            'Tested with Tester of the north wing, whose calibration held until 2020-01-01',
            implode(' ', array_column($run['findings'], 'words')),
        );
        // Another one that takes its name takes none of its results.
        $this->putJson('/api/instruments', [
            'part' => ['id' => 'newcomer', 'name' => $name, 'calibratedTo' => '2019-01-01'] + $instrument->definition,
        ])->assertOk();
        self::assertStringNotContainsString(
            '2019-01-01',
            implode(' ', array_column($this->getJson('/api/runs/A-118')->json('findings'), 'words')),
        );
    }

    public function test_what_an_earlier_version_stored_is_known_again_when_a_device_sends_it_once_more(): void
    {
        $event = ['id' => Str::uuid()->toString(), 'kind' => 'reported', 'note' => 'hums', 'run' => 'A-118'];
        $this->as('tester')->postJson('/api/events', $event)->assertCreated();
        // That version called people by their sign-in names: [name, what was sent, by its fields in order].
        StoredEvent::query()
            ->where('uuid', $event['id'])
            ->update(['sent' => hash('sha256', (string) json_encode(['tester@brackwater.example', $event]))]);
        $this->postJson('/api/events', $event)->assertOk()->assertJsonPath('new', false);
        $this->postJson('/api/events', ['note' => 'buzzes'] + $event)->assertConflict();
        $this->as('bench')->postJson('/api/events', $event)->assertConflict();
    }

    public function test_another_thing_under_an_id_that_is_taken_is_refused_and_the_first_stays(): void
    {
        $event = [
            'id' => Str::uuid()->toString(),
            'kind' => 'tested',
            'run' => 'A-118',
            'reading' => $this->reading('A-118'),
            'at' => '2026-03-09T08:00:00Z',
        ];
        $this->postJson('/api/events', $event)->assertCreated();
        // In another order it is the same; in capitals the id is, too.
        $this->postJson('/api/events', array_reverse($event, true))->assertOk()->assertJsonPath('new', false);
        foreach (
            [
                ['note' => 'as found'] + $event,
                ['at' => '2026-03-09T08:00:01Z'] + $event,
                ['run' => 'A-119', 'reading' => $this->reading('A-119')] + $event,
                ['kind' => 'labelled'] + array_diff_key($event, ['reading' => 0]),
            ] as $other
        ) {
            $this->as('lead')->postJson('/api/events', $other);
            $this->as('tester')
                ->postJson('/api/events', $other)
                ->assertStatus($other['kind'] === 'labelled' ? 403 : 409);
        }
        $this->as('lead')
            ->postJson('/api/events', $event)
            ->assertConflict()
            ->assertJsonPath('stored.by', $this->person('tester')->key)
            ->assertJsonPath('id', $event['id']);
        $stored = StoredEvent::query()->where('uuid', $event['id'])->get();
        self::assertCount(1, $stored);
        self::assertSame(['A-118', 'tested'], [$stored[0]->run, $stored[0]->kind]);
        self::assertArrayNotHasKey('note', $stored[0]->definition);

        // Records of a version before say nothing of what came with them: their ids alone tell.
        StoredEvent::query()
            ->where('uuid', $event['id'])
            ->update(['sent' => null]);
        $this->as('tester')
            ->postJson('/api/events', ['note' => 'later'] + $event)
            ->assertOk()
            ->assertJsonPath('new', false);
    }

    public function test_verdict_who_and_fingerprint_are_the_servers_to_say(): void
    {
        $bad = $this->reading('A-118', ['t:A-118.a1/2' => []]);
        $this->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'tested',
            'run' => 'A-118',
            'reading' => $bad,
            'verdict' => 'passes',
            'by' => 'lead@brackwater.example',
            'fingerprint' => 'x',
        ])->assertCreated();
        $stored = StoredEvent::query()->latest('id')->firstOrFail()->definition;
        self::assertSame(['fails', $this->person('tester')->key], [$stored['verdict'], $stored['by']]);
        self::assertNotSame('x', $stored['fingerprint']);
    }

    public function test_a_reading_with_contacts_that_are_not_there_is_refused(): void
    {
        $count = StoredEvent::query()->count();
        foreach ([['t:A-118.a1/9' => []], ['t:A-118.a1/2' => ['t:elsewhere/1']]] as $wrong) {
            $this->as('tester')
                ->postJson('/api/events', [
                    'id' => Str::uuid()->toString(),
                    'kind' => 'tested',
                    'run' => 'A-118',
                    'reading' => ['lights' => $wrong],
                ])
                ->assertUnprocessable();
        }
        $this->postJson('/api/events', [
            'id' => 'no-uuid',
            'kind' => 'tested',
            'run' => 'A-118',
            'reading' => ['lights' => []],
        ])->assertUnprocessable();
        $this->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'tested',
            'run' => 'A-118',
        ])->assertUnprocessable();
        $this->postJson('/api/events', [
            'id' => Str::uuid()->toString(),
            'kind' => 'tested',
            'run' => 'nowhere',
            'reading' => ['lights' => []],
        ])->assertUnprocessable();
        self::assertSame($count, StoredEvent::query()->count());
    }

    public function test_who_may_record_what(): void
    {
        $event = static fn (string $kind): array => [
            'id' => Str::uuid()->toString(),
            'kind' => $kind,
            'run' => 'A-118',
            'side' => 'A',
        ];
        $this->as('bench')
            ->postJson('/api/events', [...$event('tested'), 'reading' => ['lights' => []]])
            ->assertForbidden();
        $this->as('tester')->postJson('/api/events', $event('joined'))->assertForbidden();
        $this->as('planner')->postJson('/api/events', $event('cut'))->assertForbidden();
        $this->as('bench')->postJson('/api/events', $event('signed-off'))->assertForbidden();
        $this->as('lead')->postJson('/api/events', $event('signed-off'))->assertCreated();
    }

    public function test_the_four_kinds_of_assembly_have_what_should_light(): void
    {
        foreach (
            ['A-118' => [4, 4], 'C-442' => [8, 8], 'V-404' => [2, 2], 'M-201' => [96, 91]] as $run => [$from, $to]
        ) {
            $this->as('tester')
                ->getJson('/api/runs/'.$run.'/test')
                ->assertOk()
                ->assertJsonCount($from, 'from')
                ->assertJsonCount($to, 'to');
        }
        $this->getJson('/api/runs/P-007/test')->assertOk()->assertJsonCount(2, 'cautions');
    }

    public function test_what_the_chosen_checks_cannot_see_is_said_with_what_to_add(): void
    {
        $map = $this->as('tester')->getJson('/api/runs/A-118/coverage?checks=map')->assertOk()->json();
        $kinds = collect($map['unseen'])->keyBy('kind');
        self::assertSame('eyes-a', $kinds['mirrored']['add']['id']);
        self::assertStringContainsString('swapped at both ends alike', $kinds['mirrored']['names'][0]);
        self::assertSame('shells', $kinds['shell-bond']['add']['id']);
        $more = $this->getJson('/api/runs/A-118/coverage?checks=map,shells,insulation,wiggle,eyes-b')
            ->assertOk()
            ->json();
        self::assertSame([], $more['unseen']);
        self::assertSame($map['faults'], $more['faults']);
        $this->getJson('/api/runs/A-118/coverage?checks=nothing')->assertUnprocessable();
    }
}
