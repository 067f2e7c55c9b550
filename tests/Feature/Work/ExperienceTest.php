<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use Illuminate\Support\Str;
use Tests\TestCase;

/** The bench's own record of steps: shown where they are done and edited, and counted in what is forecast. */
final class ExperienceTest extends TestCase
{
    /** @return array<string, mixed> */
    private function page(string $run): array
    {
        return (array) $this->as('bench')->getJson('/api/bench/'.$run)->assertOk()->json();
    }

    /** @param  array<string, mixed>  $more */
    private function record(string $run, string $kind, string $step, array $more = []): void
    {
        $id = Str::uuid()->toString();
        $this->as('bench')
            ->postJson('/api/bench/'.$run.'/events', compact('id', 'kind', 'run', 'step') + $more)
            ->assertCreated();
    }

    /** Works a cable until it is looked over, each piece in as many seconds as are told. */
    private function work(string $run, float $seconds): string
    {
        $look = '';
        foreach ($this->page($run)['job']['steps'] as $step) {
            if ($step['side'] === 'A' && $step['task'] === 'inspect') {
                $look = $step['pieces'][0]['id'];
            }
        }
        $standings = $this->page($run)['state']['standings'];
        foreach ($this->page($run)['job']['steps'] as $step) {
            foreach ($step['pieces'] as $piece) {
                if ($piece['id'] === $look) {
                    return $look;
                }
                if (($standings[$piece['id']]['status'] ?? '') !== 'done') {
                    $this->record($run, $step['event'], $piece['id'], ['took' => $seconds]);
                }
            }
        }

        return $look;
    }

    /** @return array<array-key, mixed> */
    private function known(string $step): array
    {
        $shown = $this->as('lead')->getJson('/api/types/procedure/cup-3-pole/record')->assertOk();

        return (array) $shown->json('steps.'.$step);
    }

    public function test_what_was_found_is_said_at_the_step_and_where_it_is_edited(): void
    {
        self::assertSame([], $this->known('tug'), 'nobody has made one yet, that somebody looked over');
        $look = $this->work('A-121', 30);
        $this->record('A-121', 'inspected', $look, ['flaws' => ['dry joint' => 'accept']]);
        $known = $this->known('tug');
        self::assertSame([1, 1], [$known['found'], $known['of']]);
        self::assertStringContainsString('middle', json_encode($known['minutes']['terms']) ?: '');
        // Whoever makes the next one is told, by the step that would have found it.
        $flaws = $seen = [];
        foreach ($this->page('A-122')['job']['steps'] as $step) {
            $flaws += array_column($step['flaws'] ?? [], 'seen', 'id');
            foreach ($step['pieces'] as $piece) {
                $seen[] = $piece['seen'] ?? null;
            }
        }
        self::assertSame(['what' => 'dry joint', 'found' => 1, 'of' => 1], $flaws['dry joint'] ?? null);
        self::assertContains($flaws['dry joint'], $seen);
        self::assertArrayNotHasKey('stray strands', $flaws, 'what was never found is not spoken of');
    }

    public function test_a_step_that_is_timed_often_enough_is_forecast_by_its_own_time(): void
    {
        $minutes = fn (): float => (float) collect($this->as('lead')->getJson('/api/bench')->json('jobs'))
            ->firstWhere('id', 'A-122')['minutes'];
        $before = $minutes();
        foreach (['A-116', 'A-117', 'A-118', 'A-121', 'A-133', 'A-134'] as $run) {
            $this->work($run, 300);
        }
        $steps = $this->page('A-122')['job']['steps'];
        $timed = array_filter(
            array_merge(...array_column($steps, 'pieces')),
            static fn (array $piece): bool => ($piece['timed'] ?? 0) >= 5,
        );
        self::assertNotSame([], $timed);
        self::assertGreaterThan($before * 2, $minutes(), 'five minutes a step are slow hands');
    }

    /** Edited into other work, a step is known from now on; nothing of what was done is overtaken by that alone. */
    public function test_who_edits_a_step_says_whether_it_is_still_the_same_work(): void
    {
        $this->record('A-121', 'inspected', $this->work('A-121', 30), ['flaws' => ['dry joint' => 'accept']]);
        $shown = $this->as('lead')->getJson('/api/types/procedure/cup-3-pole')->assertOk();
        self::assertNotNull($this->known('cores-tin')['minutes'] ?? null);
        $definition = (array) $shown->json('definition');
        $at = array_search('cores-tin', array_column($definition['steps'], 'id'), true);
        $definition['steps'][$at]['since'] = 'yesterday';
        $this->putJson('/api/types/procedure', ['definition' => $definition])
            ->assertStatus(422)
            ->assertJsonFragment(['value' => 'yesterday']);
        $tug = array_search('tug', array_column($definition['steps'], 'id'), true);
        $later = now('UTC')->addHour()->format('Y-m-d\TH:i:s\Z');
        $definition['steps'][$tug]['since'] = $definition['steps'][$at]['since'] = $later;
        $this->putJson('/api/types/procedure', ['definition' => $definition])->assertSuccessful();
        // Known anew from the jobs as they are now.
        $this->page('A-121');
        $this->getJson('/api/bench')->assertOk();
        self::assertNull($this->known('cores-tin')['minutes'] ?? null);
        self::assertNotNull($this->known('sheath-off')['minutes'] ?? null, 'the other steps go on counting');
        self::assertSame([], $this->known('tug'), 'what was found was found of other work');
        self::assertSame([0, 1], [$this->known('strands')['found'], $this->known('strands')['of']]);
        $statuses = array_column($this->page('A-121')['state']['standings'], 'status');
        self::assertNotContains('overtaken', $statuses);
    }
}
