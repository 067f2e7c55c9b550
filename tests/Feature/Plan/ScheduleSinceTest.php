<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Changes\Intent;
use App\Models\StoredRun;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\TestCase;

/** Whoever follows the schedule by what is new knows what they would know if they asked for all of it. */
final class ScheduleSinceTest extends TestCase
{
    private const ROUNDS = 24;

    /** @var array<int|string, array<string, mixed>> by run */
    private array $known = [];

    private string $cursor = '';

    /** @return array{bool, int} whether it was part of it, and how many rows came */
    private function follows(): array
    {
        $answer = $this->as('bench')->getJson('/api/schedule?since='.$this->cursor)->assertOk()->json();
        $this->cursor = $answer['cursor'];
        $rows = array_column($answer['rows'] ?? [], null, 'id');
        $this->known = $answer['rows'] === null || $answer['isPart']
            ? array_diff_key($rows + $this->known, array_flip($answer['gone']))
            : $rows;

        return [$answer['rows'] === null || $answer['isPart'], count($rows)];
    }

    private function isAllKnown(string $at): void
    {
        $whole = array_column($this->as('bench')->getJson('/api/schedule')->json('rows'), null, 'id');
        ksort($whole);
        ksort($this->known);
        self::assertSame($whole, $this->known, $at);
    }

    private function aRun(Randomizer $random): StoredRun
    {
        $runs = StoredRun::query()->where('installation_id', $this->installation->id)->orderBy('id')->get()->all();

        return $runs[$random->getInt(0, count($runs) - 1)];
    }

    private function does(Randomizer $random, int $round): string
    {
        [$run, $other] = [$this->aRun($random), $this->aRun($random)];
        $line = match ($random->getInt(1, 4)) {
            1 => ['note' => 'said '.$round],
            2 => ['code' => 'Q-'.$round],
            3 => ['from' => $other->definition['a']['location']],
            default => ['loom' => $other->definition['loom'] ?? ''],
        };
        $kind = $random->getInt(1, 7);
        $planner = $this->as('planner')->withHeader(Intent::HEADER, 'accept');
        $answer = match ($kind) {
            1, 2, 3 => $planner->patchJson('/api/runs/'.$run->key, ['version' => $run->version, 'line' => $line]),
            4 => $planner->deleteJson('/api/runs/'.$run->key, ['version' => $run->version]),
            5 => $planner->postJson('/api/runs', ['line' => self::line(['code' => 'N-'.$round])]),
            6 => $planner->postJson('/api/changes/'.$this->installation->changes()->value('id').'/undo'),
            default => $this->as('lead')->postJson('/api/events', [
                'id' => (string) Str::uuid(),
                'kind' => 'labelled',
                'run' => $run->key,
            ]),
        };
        self::assertLessThan(500, $answer->status(), (string) $answer->getContent());

        return sprintf('round %d: %d on %s, %d', $round, $kind, $run->key, $answer->status());
    }

    public function test_who_follows_by_what_is_new_knows_all_of_it(): void
    {
        $random = new Randomizer(new Mt19937(11));
        self::assertSame([false, 46], $this->follows());
        // What was recorded long ago is known to everybody.
        DB::table('events')->update(['created_at' => now()->subHour()]);
        $this->planner();
        $this->follows();
        $parts = $rows = 0;
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $did = $this->does($random, $round);
            if ($random->getInt(1, 3) === 1) {
                continue;
            }
            [$isPart, $came] = $this->follows();
            $parts += (int) $isPart;
            $rows += $isPart ? $came : 0;
            $this->isAllKnown($did);
        }
        self::assertGreaterThan(self::ROUNDS / 3, $parts);
        self::assertLessThan(20 * $parts, $rows, 'of 46');
    }

    public function test_a_record_brings_the_rows_of_its_assembly_alone(): void
    {
        $this->follows();
        DB::table('events')->update(['created_at' => now()->subHour()]);
        $this->follows();
        self::assertSame([true, 0], $this->follows());
        $this->as('lead')->postJson('/api/events', [
            'id' => (string) Str::uuid(),
            'kind' => 'labelled',
            'run' => 'C-442',
        ])->assertCreated();
        self::assertSame([true, 1], $this->follows());
        $this->isAllKnown('labelled');
        // What is being written while another is told may come after it, under a number before it.
        DB::table('events')->where('run', 'C-442')->update(['created_at' => now()]);
        $this->installation->newQuery()->whereKey($this->installation->id)->increment('revision');
        self::assertSame([true, 1], $this->follows());
    }

    public function test_what_nobody_can_tell_apart_is_told_whole(): void
    {
        $this->follows();
        $cursor = $this->cursor;
        $this->installation->newQuery()->whereKey($this->installation->id)->increment('revision', 1, [
            'decisions' => (string) Str::ulid(),
        ]);
        self::assertSame([false, 46], $this->follows());
        foreach (['7', 'x.y.z', '1.2', str_replace('.', '..', $cursor)] as $other) {
            $this->cursor = $other;
            self::assertSame([false, 46], $this->follows(), $other);
        }
        $this->cursor = (string) $this->installation->refresh()->revision;
        self::assertSame([true, 0], $this->follows(), 'as pages of an earlier version ask');
    }

    /** Cards, so that a decision says what it has to do with. */
    private function planner(): void
    {
        $run = StoredRun::query()->where('installation_id', $this->installation->id)->where('key', 'C-424')->sole();
        foreach (['a', 'b'] as $note) {
            $this->as('planner')->patchJson('/api/runs/C-424', [
                'version' => $run->refresh()->version,
                'line' => ['note' => $note],
            ])->assertOk();
        }
    }
}
