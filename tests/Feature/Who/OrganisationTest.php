<?php

declare(strict_types=1);

namespace Tests\Feature\Who;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** Those who look after people and installations; archives; the log book. */
final class OrganisationTest extends TestCase
{
    public function test_who_looks_after_what_is_asked_at_every_door(): void
    {
        $doors = [
            ['people', 'PUT', '/api/organisation'],
            ['people', 'GET', '/api/organisation/log'],
            ['people', 'POST', '/api/organisation/people'],
            ['people', 'PATCH', '/api/organisation/people/x'],
            ['people', 'PUT', '/api/organisation/people/x/retired'],
            ['people', 'POST', '/api/organisation/people/x/invitation'],
            ['people', 'PUT', '/api/organisation/installations/x/lead'],
            ['installations', 'POST', '/api/installations'],
        ];
        foreach ([[], ['people'], ['installations'], ['people', 'installations']] as $offices) {
            $this->person('bench')->update(['offices' => $offices]);
            foreach ($doors as [$office, $method, $path]) {
                $status = $this->as('bench')->json($method, $path)->status();
                self::assertSame(
                    ! in_array($office, $offices, true),
                    $status === 403,
                    implode(',', $offices).' '.$method.' '.$path.' '.$status,
                );
            }
        }
    }

    public function test_who_has_no_office_sees_the_name_alone(): void
    {
        $this->as('bench')
            ->getJson('/api/organisation')
            ->assertOk()
            ->assertJsonPath('people', [])
            ->assertJsonPath('installations', [])
            ->assertJsonPath('name', 'Brackwater crew');
        $this->as('planner')
            ->getJson('/api/organisation')
            ->assertJsonPath('people', [])
            ->assertJsonPath('installations.0.name', 'Brackwater Tide Station')
            ->assertJsonPath('installations.0.leads', [$this->person('lead')->name]);
    }

    public function test_the_last_who_looks_after_people_cannot_go(): void
    {
        $lead = $this->person('lead');
        $lead->update(['password' => 'x']);
        $this->as('lead')
            ->putJson('/api/organisation/people/'.$lead->key.'/retired', ['retired' => true])
            ->assertJsonValidationErrorFor('offices');
        $this->patchJson('/api/organisation/people/'.$lead->key, [
            'version' => 1,
            'name' => $lead->name,
            'offices' => [],
        ])->assertJsonValidationErrorFor('offices');
        // Somebody who cannot sign in does not count.
        $tester = $this->person('tester');
        $tester->update(['offices' => ['people']]);
        $this->patchJson('/api/organisation/people/'.$lead->key, [
            'version' => 1,
            'name' => $lead->name,
            'offices' => [],
        ])->assertUnprocessable();
        $tester->update(['password' => 'x']);
        $this->patchJson('/api/organisation/people/'.$lead->key, [
            'version' => 1,
            'name' => 'Odile',
            'offices' => [],
        ])->assertOk();
        self::assertSame(['Odile', []], [$lead->refresh()->name, $lead->offices]);
    }

    public function test_somebody_retired_is_out_at_once_and_can_come_back(): void
    {
        $bench = $this->person('bench');
        $bench->update(['password' => 'brackwater']);
        $in = ['signIn' => $bench->sign_in, 'password' => 'brackwater'];
        $this->as('lead')
            ->putJson('/api/organisation/people/'.$bench->key.'/retired', ['retired' => true])
            ->assertOk();
        $this->actingAs($bench->refresh())->getJson('/api/bench')->assertUnauthorized();
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/session', $in)->assertUnprocessable();
        $this->as('lead')
            ->putJson('/api/organisation/people/'.$bench->key.'/retired', ['retired' => false])
            ->assertOk();
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/session', $in)->assertOk();
    }

    public function test_an_installation_without_a_lead_is_given_one(): void
    {
        $lost = self::bare('lost', 'Lost');
        $planner = $this->person('planner');
        $lost->take($planner, ['planner'], ['mains']);
        $put = fn (string $key) => $this->as('lead')->putJson(
            '/api/organisation/installations/'.$lost->address.'/lead',
            ['person' => $key],
        );
        $put($planner->key)->assertOk();
        self::assertSame(
            [['planner', 'lead'], ['mains']],
            [$lost->memberships()->firstOrFail()->roles, $lost->memberships()->firstOrFail()->skills],
        );
        // One who had left comes back as lead alone.
        $lost->memberships()->update(['ended_at' => now()]);
        $put($planner->key)->assertOk();
        self::assertSame(['lead'], $lost->atWork()->firstOrFail()->roles);
        $put('nobody')->assertNotFound();
    }

    public function test_two_who_rename_it_at_once_see_both_names(): void
    {
        $version = $this->as('lead')->getJson('/api/organisation')->json('version');
        $this->putJson('/api/organisation', ['name' => 'First', 'version' => $version])->assertOk();
        $this->putJson('/api/organisation', ['name' => 'Second', 'version' => $version])
            ->assertConflict()
            ->assertJsonPath('theirs.name', 'First')
            ->assertJsonPath('yours.name', 'Second');
        self::assertSame('First', self::named());
    }

    private static function named(): string
    {
        return (string) DB::table('organisations')->value('name');
    }

    public function test_an_archive_is_read_by_its_crew_and_written_by_nobody(): void
    {
        $this->as('planner')
            ->putJson('/api/archived', ['archived' => true])
            ->assertForbidden();
        $this->as('lead')
            ->putJson('/api/archived', ['archived' => true])
            ->assertOk()
            ->assertJsonPath('archived', true);
        $rows = fn (): string => json_encode(
            [
                DB::table('runs')->get(),
                DB::table('parts')->get(),
                DB::table('events')->count(),
                DB::table('memberships')->get(),
            ],
            JSON_THROW_ON_ERROR,
        );
        $before = $rows();
        $this->as('bench')->getJson('/api/schedule')->assertOk();
        $this->getJson('/api/session')->assertJsonPath('installations.0.archived', true);
        $tried = 0;
        $reads = ['reads'];
        foreach (\Illuminate\Support\Facades\Route::getRoutes()->getRoutes() as $route) {
            $method = $route->methods()[0];
            if (! str_starts_with($route->uri(), 'api/i/{address}/') || in_array($method, ['GET', 'HEAD'], true)) {
                continue;
            }
            if (in_array(explode('.', (string) $route->getName())[0], $reads, true)) {
                continue;
            }
            $path = preg_replace(
                ['~\{address\}~', '~(?<=schedule/views/)\{id\}~', '~\{(number|id|cursor)\}~', '~\{[a-z]+\}~'],
                [$this->installation->address, '00000000-0000-4000-8000-000000000001', '1', 'way'],
                $route->uri(),
            );
            $answer = $this->as('lead')->json($method, '/'.$path);
            self::assertSame(423, $answer->status(), $method.' '.$path);
            self::assertStringContainsString('archived since', (string) $answer->json('message'));
            $tried++;
        }
        self::assertGreaterThan(45, $tried);
        self::assertSame($before, $rows());
        // The crew still leaves, looks ahead and brings it back.
        $this->as('planner')
            ->postJson('/api/runs/quick', ['text' => 'x'])
            ->assertOk()
            ->assertJsonPath('lines.0.refused.field', 'line');
        $this->as('lead')
            ->putJson('/api/archived', ['archived' => false])
            ->assertOk();
        $this->as('planner')
            ->postJson('/api/runs', ['line' => self::line()])
            ->assertCreated();
    }

    public function test_an_installation_begins_empty_or_from_the_sample_under_a_name_of_its_own(): void
    {
        $begin = fn (array $with) => $this->as('planner')->postJson('/api/installations', $with);
        $first = $begin(['begin' => 'empty', 'name' => 'Pilot House'])
            ->assertCreated()
            ->json();
        $second = $begin(['begin' => 'empty', 'name' => 'Pilot House'])
            ->assertCreated()
            ->json();
        self::assertSame(['pilot-house', 'pilot-house-2'], [$first['key'], $second['key']]);
        $this->of('pilot-house')->getJson('/api/schedule')->assertOk()->assertJsonCount(0, 'rows');
        $this->getJson('/api/session?at='.$first['address'])->assertJsonPath('person.roles', ['planner', 'lead']);
        $begin(['begin' => 'sample', 'name' => '日本'])
            ->assertCreated()
            ->assertJsonPath('key', 'installation');
        $this->of('installation')->getJson('/api/schedule')->assertOk()->assertJsonCount(46, 'rows');
        self::assertCount(1, StoredInstallation::query()->where('key', 'installation')->firstOrFail()->atWork()->get());
        $begin(['begin' => 'empty', 'name' => ' '])->assertJsonValidationErrorFor('name');
        $begin(['begin' => 'thin air', 'name' => 'X'])->assertJsonValidationErrorFor('begin');
        // The first run goes into it as into any.
        $this->of('pilot-house');
        foreach ([['location', 'desk', 'Desk'], ['location', 'rack', 'Rack']] as [$kind, $id, $name]) {
            $this->putJson('/api/shared/'.$kind, ['part' => ['id' => $id, 'name' => $name]])->assertOk();
        }
    }

    public function test_the_next_one_from_this_brings_what_was_asked_for(): void
    {
        $make = fn (string $key, array $with): StoredInstallation => StoredInstallation::query()
            ->where(
                'address',
                $this->as('planner')
                    ->of('brackwater')
                    ->postJson('/api/templates', ['name' => $key, 'key' => $key, 'building' => true, ...$with])
                    ->assertCreated()
                    ->json('address'),
            )
            ->firstOrFail();
        $all = $make('all', ['shelf' => true, 'crew' => true]);
        self::assertSame(6, $all->atWork()->count());
        $reels = static fn (StoredInstallation $in): int => $in->entries()->where('kind', 'reel')->count();
        self::assertSame($reels($this->installation), $reels($all));
        self::assertGreaterThan(0, $reels($all));
        $bare = $make('bare', ['crew' => false, 'rules' => false]);
        self::assertSame([1, 0], [$bare->atWork()->count(), $reels($bare)]);
        self::assertSame(0, $all->events()->count() + $bare->events()->count());
        $this->as('bench')
            ->of('brackwater')
            ->postJson('/api/templates', ['name' => 'x', 'key' => 'x'])
            ->assertForbidden();
    }

    public function test_sign_ins_crew_changes_and_exports_are_in_the_log_book(): void
    {
        $bench = $this->person('bench');
        $bench->update(['password' => 'brackwater']);
        $this->postJson('/api/session', ['signIn' => $bench->sign_in, 'password' => 'brackwater'])->assertOk();
        $this->as('lead');
        $this->get('/api/installation.json')->assertOk();
        $this->get('/api/schedule.csv')->assertOk();
        $this->patchJson('/api/crew/'.$bench->key, [
            'version' => 1,
            'roles' => ['tester'],
            'skills' => ['mains'],
        ])->assertOk();
        $this->postJson('/api/organisation/people', [
            'name' => 'New One',
            'signIn' => 'n@x.example',
            'offices' => [],
        ])->assertCreated();
        $rows = $this->getJson('/api/organisation/log')->assertOk()->json('rows');
        self::assertSame(
            [
                ['office', 'invited New One (n@x.example)', 'lead'],
                ['crew', $bench->name.': tester; mains, licensed', 'lead'],
                ['exported', 'the schedule', 'lead'],
                ['exported', 'the installation as a file', 'lead'],
                ['signed in', 'signed in', 'bench'],
            ],
            array_map(
                fn (array $row): array => [
                    $row['what'],
                    $row['words'],
                    $row['who'] === $this->person('lead')->name ? 'lead' : 'bench',
                ],
                array_slice($rows, 0, 5),
            ),
        );
        // The lead sees what is of the installation, beside what was decided and recorded.
        $here = collect($this->getJson('/api/crew/log?what=exported')->assertOk()->json('rows'))->pluck('words');
        self::assertSame(['the schedule', 'the installation as a file'], $here->all());
        self::assertSame(0, User::query()->where('name', 'nobody')->count());
    }
}
