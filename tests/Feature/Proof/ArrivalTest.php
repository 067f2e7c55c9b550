<?php

declare(strict_types=1);

namespace Tests\Feature\Proof;

use App\Models\StoredEvent;
use Illuminate\Support\Str;
use Tests\TestCase;

/** What was done on what is said by each record; what arrives late speaks of what it was done on. */
final class ArrivalTest extends TestCase
{
    private const RUN = 'A-118';

    /** @param  array<string, mixed>  $with */
    private function send(string $role, string $kind, array $with, string $clock = ''): void
    {
        $this->as($role)
            ->postJson(
                '/api/events',
                ['id' => (string) Str::uuid(), 'kind' => $kind, 'run' => self::RUN, ...$with],
                $clock === '' ? [] : ['Sartal-Clock' => $clock],
            )
            ->assertCreated();
    }

    /** @return array<string, string> stage → state */
    private function strand(): array
    {
        return array_column(
            $this->as('lead')
                ->getJson('/api/runs/'.self::RUN)
                ->json('strand'),
            'state',
            'stage',
        );
    }

    /** @return array{reading: array<string, mixed>, on: list<string>} */
    private function taken(): array
    {
        $sheet = $this->as('tester')
            ->getJson('/api/runs/'.self::RUN.'/test')
            ->assertOk()
            ->json();

        return ['reading' => ['lights' => $sheet['expected']], 'on' => $sheet['basis']];
    }

    public function test_a_pass_of_the_cable_before_does_not_fill_the_bead_of_a_new_one(): void
    {
        // Read in the plant room, without a network.
        $pass = $this->taken() + ['at' => now('UTC')->addHours(3)->format('Y-m-d\TH:i:s\Z')];
        self::assertNotSame([], $pass['on']);
        // Meanwhile it is cut anew, and its ends are made again.
        $basis = fn (): array => $this->as('bench')
            ->getJson('/api/runs/'.self::RUN)
            ->json('basis');
        $this->send('bench', 'cut', ['cut' => ['length' => '37 m'], 'on' => $basis()]);
        self::assertSame('to-do', $this->strand()['end-a'], 'A new piece has no ends.');
        $this->send('bench', 'joined', ['side' => 'A', 'on' => $basis()]);
        $this->send('bench', 'joined', ['side' => 'B', 'on' => $basis()]);
        self::assertSame(['done', 'done'], [$this->strand()['end-a'], $this->strand()['end-b']]);
        // The phone comes back; its clock is three hours out as well. It is kept, and says nothing of the new cable.
        $this->send('tester', 'tested', $pass);
        self::assertSame('to-do', $this->strand()['test']);
        $history = collect($this->getJson('/api/runs/'.self::RUN)->json('history'))->where('kind', 'tested');
        self::assertStringContainsString('ahead', $history->last()['doubt'] ?? $history->first()['doubt']);
        // One that was taken on it does.
        $this->send('tester', 'tested', $this->taken());
        self::assertSame('done', $this->strand()['test']);
    }

    public function test_a_test_that_arrives_before_what_it_was_done_on_counts_once_that_has_come(): void
    {
        $before = $this->taken();
        $end = (string) Str::uuid();
        $pass = ['on' => [...$before['on'], $end]] + $before;
        $this->send('tester', 'tested', $pass + ['at' => '2026-03-09T07:00:00Z']);
        $this->as('bench')
            ->postJson('/api/events', [
                'id' => $end,
                'kind' => 'remade',
                'run' => self::RUN,
                'side' => 'A',
                'on' => $before['on'],
                'at' => '2026-03-09T08:00:00Z',
            ])
            ->assertCreated();
        self::assertSame('done', $this->strand()['test']);
    }

    public function test_how_far_a_devices_clock_is_out_is_kept_and_taken_off(): void
    {
        $ahead = now('UTC')->addHours(2)->format('Y-m-d\TH:i:s\Z');
        $this->send('tester', 'tested', $this->taken() + ['at' => $ahead], $ahead);
        $stored = StoredEvent::query()->latest('id')->firstOrFail()->definition;
        self::assertSame(-7200, $stored['skew']);
        $tests = collect(
            $this->as('lead')
                ->getJson('/api/runs/'.self::RUN)
                ->json('history'),
        )->where('kind', 'tested');
        self::assertSame([''], $tests->pluck('doubt')->unique()->values()->all());
        // What is nearer than two minutes is the network; what is no time is none.
        foreach ([now('UTC')->addSeconds(90)->format('c'), 'noon', str_repeat('9', 60)] as $clock) {
            $this->send('tester', 'tested', $this->taken() + ['at' => now('UTC')->format('c')], $clock);
            self::assertArrayNotHasKey('skew', StoredEvent::query()->latest('id')->firstOrFail()->definition);
        }
    }

    public function test_what_a_device_may_not_say_is_refused_by_name(): void
    {
        foreach ([['on' => 'x'], ['on' => ['x']], ['on' => [1]]] as $wrong) {
            $this->as('tester')
                ->postJson('/api/events', [
                    'id' => (string) Str::uuid(),
                    'kind' => 'tested',
                    'run' => self::RUN,
                    'reading' => $this->taken()['reading'],
                    ...$wrong,
                ])
                ->assertUnprocessable();
        }
        // How far a clock is out is the server's to say.
        $this->send('tester', 'tested', $this->taken() + ['skew' => 999]);
        self::assertArrayNotHasKey('skew', StoredEvent::query()->latest('id')->firstOrFail()->definition);
    }
}
