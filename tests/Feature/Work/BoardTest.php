<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Support\Str;
use Tests\TestCase;

/** People, what they were given, benches and tools, and the board. */
final class BoardTest extends TestCase
{
    public function test_the_lead_makes_people_and_they_sign_in_with_what_was_handed_over(): void
    {
        $made = $this->as('lead')
            ->postJson('/api/crew', [
                'signIn' => ' Niamh@Brackwater.example ',
                'name' => 'Niamh Orsted',
                'roles' => ['bench'],
                'skills' => ['crimp'],
            ])
            ->assertCreated()
            ->json();
        $this->postJson('/api/crew', [
            'signIn' => 'niamh@brackwater.example',
            'name' => 'Other',
            'roles' => ['bench'],
            'skills' => [],
        ])
            ->assertUnprocessable()
            ->assertJsonValidationErrorFor('signIn');
        $this->postJson('/api/crew', ['signIn' => 'x', 'name' => 'X', 'roles' => ['king'], 'skills' => ['magic']])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['roles.0', 'skills.0']);
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/session', ['signIn' => 'niamh@brackwater.example', 'password' => $made['password']])
            ->assertOk()
            ->assertJsonPath('person.skills', ['crimp']);
        $this->getJson('/api/bench')->assertOk();
    }

    public function test_somebody_retired_is_out_at_once_and_can_come_back(): void
    {
        $bench = $this->person('bench');
        $this->as('lead')
            ->putJson('/api/crew/'.$bench->id.'/retired', ['retired' => true])
            ->assertOk();
        $this->actingAs($bench->refresh())->getJson('/api/bench')->assertUnauthorized();
        $bench->update(['password' => 'brackwater']);
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/session', [
            'signIn' => $bench->sign_in,
            'password' => 'brackwater',
        ])->assertUnprocessable();
        $this->as('lead')
            ->putJson('/api/crew/'.$bench->id.'/retired', ['retired' => false])
            ->assertOk();
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/session', ['signIn' => $bench->sign_in, 'password' => 'brackwater'])->assertOk();
    }

    public function test_a_new_password_replaces_the_old_one(): void
    {
        $tester = $this->person('tester');
        $tester->update(['password' => 'brackwater']);
        $new = $this->as('lead')
            ->postJson('/api/crew/'.$tester->id.'/password')
            ->assertOk()
            ->json('password');
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/session', [
            'signIn' => $tester->sign_in,
            'password' => 'brackwater',
        ])->assertUnprocessable();
        $this->postJson('/api/session', ['signIn' => $tester->sign_in, 'password' => $new])->assertOk();
    }

    public function test_nobody_but_the_lead_touches_the_crew_and_not_even_the_lead_everybody(): void
    {
        $bench = $this->person('bench');
        foreach (['planner', 'bench', 'tester', 'installer'] as $role) {
            $this->as($role)->getJson('/api/crew')->assertForbidden();
            $this->postJson('/api/crew/'.$bench->id.'/password')->assertForbidden();
            $this->getJson('/api/crew/board')->assertOk();
        }
        $lead = $this->person('lead');
        $this->as('lead')
            ->putJson('/api/crew/'.$lead->id.'/retired', ['retired' => true])
            ->assertUnprocessable();
        $this->patchJson('/api/crew/'.$lead->id, [
            'name' => 'Me',
            'roles' => ['bench'],
            'skills' => [],
        ])->assertUnprocessable();
        // Somebody who works elsewhere too: a password would open that as well.
        $other = StoredInstallation::query()->create([
            'key' => 'elsewhere',
            'name' => 'Elsewhere',
            'rules' => [],
            'catalogue' => [],
            'panel' => [],
        ]);
        $other->crew()->attach($bench->id);
        $this->postJson('/api/crew/'.$bench->id.'/password')->assertForbidden();
        $stranger = User::query()->create(['sign_in' => 'stranger', 'name' => 'Stranger', 'roles' => ['bench']]);
        $this->postJson('/api/crew/'.$stranger->id.'/password')->assertNotFound();
    }

    public function test_what_was_given_shows_at_the_bench_and_in_the_forecast(): void
    {
        $bench = $this->person('bench');
        $this->as('lead')
            ->postJson('/api/crew/given', ['user' => $bench->id, 'kind' => 'loom', 'key' => 'L4'])
            ->assertCreated();
        $this->postJson('/api/crew/given', [
            'user' => $bench->id,
            'kind' => 'loom',
            'key' => 'L99',
        ])->assertUnprocessable();
        $mine = collect($this->as('bench')->getJson('/api/bench')->json('jobs'))->where('mine', true);
        self::assertSame(['L4'], $mine->pluck('loomId')->unique()->values()->all());
        self::assertSame(
            0,
            collect($this->as('bench2')->getJson('/api/bench')->json('jobs'))
                ->where('mine', true)
                ->count(),
        );
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
        self::assertNotEmpty($board['forecast']['ahead']['bench@brackwater.example']);
        $lead = $this->person('lead');
        $this->patchJson('/api/crew/'.$lead->id, [
            'name' => $lead->name,
            'roles' => ['lead'],
            'skills' => ['solder'],
        ])->assertOk();
        $stuck = $this->getJson('/api/crew/board')->json('forecast.stuck');
        self::assertNotEmpty($stuck);
        self::assertStringContainsString('mains', implode($stuck));
    }

    public function test_fewer_benches_take_longer_and_a_shared_tool_is_saved_like_any_decision(): void
    {
        $crew = $this->as('lead')->getJson('/api/crew')->json();
        self::assertContains('8P8C plug tool', $crew['tools']);
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
}
