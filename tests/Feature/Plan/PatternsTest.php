<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Models\Change;
use App\Models\StoredRun;
use Tests\TestCase;

/** Patterns: what they ask, what they come to, what they make; those that an installation keeps for itself. */
final class PatternsTest extends TestCase
{
    /**
     * @param  array<string, string>  $more
     * @return array{kind: string, answers: array<string, string>}
     */
    private function answered(string $id, array $more): array
    {
        $all = $this->as('planner')->getJson('/api/patterns')->assertOk()->json();
        $pattern = collect($all['patterns'])->firstWhere('id', $id);
        $keys = array_column($all['asks'][$pattern['kind']], 'key');
        $answers = $more + $pattern['answers'];
        self::assertSame([], array_diff(array_keys($answers), $keys));

        return ['kind' => $pattern['kind'], 'answers' => $answers];
    }

    public function test_a_split_panel_is_looked_at_made_and_taken_back(): void
    {
        $sent = $this->answered('split-panel', [
            'code' => 'M-980',
            'inputs' => '24',
            'place' => 'split-panel',
            'far' => 'amp-rack-1',
            'lifts' => '1-4',
        ]);
        $runs = StoredRun::query()->count();
        $sums = $this->as('planner')->postJson('/api/patterns/try', $sent)->assertOk()->json();
        self::assertSame(['M-980', 'M-981', 'M-982'], array_column($sums['runs'], 'code'));
        self::assertSame([68, 4], [$sums['jumpers'], $sums['switches']]);
        self::assertSame([24, 24, 24], array_column($sums['connectors'], 'count'));
        self::assertGreaterThan(100, $sums['minutes']['value']);
        self::assertCount(3, $sums['minutes']['terms']);
        self::assertNotSame([], $sums['parts']);
        self::assertSame($runs, StoredRun::query()->count());

        $made = $this->as('planner')->postJson('/api/patterns', $sent)->assertCreated()->json('runs');
        self::assertSame(['M-980', 'M-981', 'M-982'], $made);
        $page = $this->as('planner')->getJson('/api/assemblies/M-980')->assertOk()->json();
        self::assertCount(24, $page['fittings']);
        self::assertSame([], $page['findings']);
        $this->as('tester')->getJson('/api/runs/M-980/test')->assertOk();
        $this->as('bench')->getJson('/api/bench/M-980')->assertOk();
        $change = Change::query()->latest('id')->firstOrFail();
        self::assertSame('M-980 to M-982 added from a pattern', $change->words);
        $this->as('planner')->postJson("/api/changes/{$change->id}/undo")->assertSuccessful();
        self::assertSame($runs, StoredRun::query()->count());
        // The same codes are free again, and taken once they are made.
        $this->as('planner')->postJson('/api/patterns', $sent)->assertCreated();
        $this->as('planner')
            ->postJson('/api/patterns', $sent)
            ->assertUnprocessable()
            ->assertJsonValidationErrors('code');
    }

    public function test_every_wrong_answer_is_named_at_once(): void
    {
        $sent = $this->answered('patch-leads', ['code' => 'PL-1', 'place' => 'nowhere', 'length' => 'long']);
        $this->as('planner')
            ->postJson('/api/patterns/try', $sent)
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['place', 'length']);
        $this->as('tester')->postJson('/api/patterns/try', $sent)->assertForbidden();
    }

    public function test_an_installation_keeps_patterns_of_its_own(): void
    {
        $part = [
            'id' => 'hall-leads',
            'name' => 'Hall leads',
            'words' => 'As the hall wants them',
            'kind' => 'leads',
            'answers' => ['many' => '3', 'length' => '4 m', 'cable' => 'star-quad'],
        ];
        $this->as('planner')->putJson('/api/shared/pattern', ['part' => $part])->assertOk();
        $lines = $this->as('planner')->getJson('/api/patterns')->assertOk()->json('patterns');
        self::assertSame(['hall-leads', true, 1], [$lines[0]['id'], $lines[0]['own'], $lines[0]['version']]);
        self::assertSame('4 m', $lines[0]['answers']['length']);
        $file = $this->as('planner')->getJson('/api/installation.json')->assertOk()->json();
        self::assertSame([$part], $file['patterns']);
        $this->as('planner')->deleteJson('/api/shared/pattern/hall-leads', ['version' => 1])->assertOk();
        $lines = $this->as('planner')->getJson('/api/patterns')->assertOk()->json('patterns');
        self::assertFalse($lines[0]['own']);
    }
}
