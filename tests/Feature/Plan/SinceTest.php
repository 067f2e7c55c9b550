<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\TestCase;

/** One question tells whether anything is new, and of what kind. */
final class SinceTest extends TestCase
{
    /** @return list<string> marks that have changed */
    private function changed(\Closure $act): array
    {
        $before = $this->marks();
        $act();

        return array_keys(array_diff_assoc($this->marks(), $before));
    }

    /** @return array<string, string> */
    private function marks(): array
    {
        /** @var array<string, string> */
        return $this->as('lead')->getJson('/api/since')->assertOk()->json();
    }

    public function test_each_kind_of_news_changes_its_own_mark(): void
    {
        self::assertSame([], $this->changed(static fn () => null));
        self::assertSame([], $this->changed(fn () => $this->getJson('/api/schedule')->assertOk()));
        self::assertSame(['decided'], $this->changed(function (): void {
            $version = $this->as('planner')->getJson('/api/runs/A-119')->json('version');
            $this->patchJson('/api/runs/A-119', ['line' => ['note' => 'look'], 'version' => $version])->assertOk();
        }));
        self::assertSame(['recorded'], $this->changed(function (): void {
            $this->as('installer')->postJson('/api/events', [
                'id' => (string) Str::uuid(),
                'kind' => 'pulled',
                'run' => 'V-403',
                'at' => now()->toRfc3339String(),
            ])->assertSuccessful();
        }));
        self::assertSame(['told', 'noticed'], $this->changed(function (): void {
            $person = $this->as('lead')->getJson('/api/crew')->json('people.0.id');
            $this->postJson('/api/crew/given', ['kind' => 'loom', 'key' => 'L1', 'person' => $person])->assertCreated();
        }));
        self::assertSame(['told'], $this->changed(function (): void {
            $labels = $this->as('bench')->getJson('/api/labels')->json('labels');
            $this->postJson('/api/labels/printed', ['ids' => [$labels[0]['id']]])->assertOk();
        }));
        self::assertSame(['present'], $this->changed(function (): void {
            $this->as('bench')->getJson('/api/bench/A-119/since/0?step='.urlencode('A-119|cut'))->assertOk();
        }));
    }

    /** Asked every few seconds by everybody: as much as it takes to know who asks, and two questions more. */
    public function test_it_costs_little_more_than_to_be_let_in(): void
    {
        $this->as('tester');
        $asked = function (string $path): int {
            $this->getJson($path)->assertOk();
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->getJson($path)->assertOk();

            return count(DB::getQueryLog());
        };
        self::assertLessThanOrEqual(10, $asked('/api/since'));
        self::assertLessThan(300, strlen((string) $this->getJson('/api/since')->getContent()));
    }
}
