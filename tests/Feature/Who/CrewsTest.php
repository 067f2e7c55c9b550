<?php

declare(strict_types=1);

namespace Tests\Feature\Who;

use App\Formats\FileImporter;
use App\Models\Membership;
use App\Models\Organisation;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Sartal\Core\File\InstallationFile;
use Tests\TestCase;

/** Roles and skills belong to a membership; whoever leads or looks after people cannot be locked out. */
final class CrewsTest extends TestCase
{
    private const OTHER = 'Second hall';

    /** The demo again, as another installation of the same organisation. */
    private function second(): StoredInstallation
    {
        $data = json_decode(self::demo(), true, 64, JSON_THROW_ON_ERROR);
        $data['installation'] = ['id' => 'second', 'name' => self::OTHER] + $data['installation'];

        return (new FileImporter())->import(
            InstallationFile::parse(json_encode($data, JSON_THROW_ON_ERROR)),
            self::organisation(),
        );
    }

    public function test_somebody_is_a_tester_here_and_a_lead_there(): void
    {
        $second = $this->second();
        $second->take($this->person('tester'), ['lead'], ['mains']);
        $this->as('tester')
            ->getJson('/api/session?at='.$second->address)
            ->assertJsonPath('person.roles', ['lead'])
            ->assertJsonPath('person.skills', ['mains']);
        $this->getJson('/api/session?at='.$this->installation->address)
            ->assertJsonPath('person.roles', ['tester'])
            ->assertJsonPath('person.skills', []);
        $this->getJson('/api/crew')->assertForbidden();
        $this->of('second')->getJson('/api/crew')->assertOk();
        // And what they record there is theirs in both.
        $this->postJson('/api/events', [
            'id' => (string) Str::uuid(),
            'kind' => 'withdrawn',
            'run' => 'A-118',
        ])->assertCreated();
        $this->of('brackwater')
            ->postJson('/api/events', ['id' => (string) Str::uuid(), 'kind' => 'withdrawn', 'run' => 'A-118'])
            ->assertForbidden();
    }

    public function test_a_colleague_is_taken_into_a_second_crew_and_out_of_it(): void
    {
        $second = $this->second();
        $bench = $this->person('bench');
        $second->memberships()->where('user_id', $bench->id)->delete();
        $this->as('lead')->of('second');
        $colleagues = $this->getJson('/api/crew')->assertOk()->json('colleagues');
        self::assertSame([['id' => $bench->key, 'name' => $bench->name]], $colleagues);
        $this->postJson('/api/crew', ['person' => $bench->key, 'roles' => ['installer'], 'skills' => ['crimp']])
            ->assertCreated()
            ->assertJsonPath('invitation', null);
        $this->as('bench')->getJson('/api/schedule')->assertOk();
        self::assertSame(['bench'], $this->member('bench')->roles, 'What they are elsewhere stays.');
        $this->as('lead')
            ->patchJson('/api/crew/'.$bench->key, ['version' => 1, 'roles' => ['tester'], 'skills' => []])
            ->assertOk();
        $this->deleteJson('/api/crew/'.$bench->key)->assertOk();
        $this->as('bench')->getJson('/api/schedule')->assertNotFound();
        $this->of('brackwater')->getJson('/api/schedule')->assertOk();
    }

    public function test_who_has_left_stays_in_the_record_by_name_and_in_the_file(): void
    {
        $tove = $this->person('bench');
        $named = fn (): bool => str_contains(
            (string) $this->getJson('/api/runs/A-114')->assertOk()->getContent(),
            $tove->name,
        );
        $this->as('lead');
        self::assertTrue($named());
        $before = json_decode((string) $this->get('/api/installation.json')->streamedContent(), true);
        $this->deleteJson('/api/crew/'.$tove->key)->assertOk();
        self::assertTrue($named());
        $after = json_decode((string) $this->get('/api/installation.json')->streamedContent(), true);
        self::assertSame($before['record'], $after['record']);
        $of = collect($after['people'])->firstWhere('id', $tove->key);
        self::assertSame([$tove->name, false], [$of['name'], isset($of['roles']) && $of['roles'] !== []]);
    }

    public function test_a_name_is_in_one_place(): void
    {
        $this->person('bench')->update(['name' => 'Tove Renamed']);
        $run = (string) $this->as('lead')->getJson('/api/runs/A-114')->getContent();
        self::assertStringContainsString('Tove Renamed', $run);
        self::assertStringNotContainsString('Tove Castellan', $run);
        $log = $this->getJson('/api/crew/log?q=Renamed')->assertOk()->json('count');
        self::assertGreaterThan(0, $log);
    }

    public function test_no_crew_loses_its_last_lead_by_whatever_way(): void
    {
        $lead = $this->person('lead');
        $this->as('lead')
            ->patchJson('/api/crew/'.$lead->key, ['version' => 1, 'roles' => ['bench'], 'skills' => []])
            ->assertJsonValidationErrorFor('roles');
        $this->deleteJson('/api/crew/'.$lead->key)->assertJsonValidationErrorFor('roles');
        $this->deleteJson('/api/membership')->assertJsonValidationErrorFor('roles');
        self::assertSame(['lead'], $this->member('lead')->roles);
        // With another it may go; one who is retired does not count.
        $planner = $this->person('planner');
        $this->patchJson('/api/crew/'.$planner->key, [
            'version' => 1,
            'roles' => ['planner', 'lead'],
            'skills' => [],
        ])->assertOk();
        $planner->update(['retired_at' => now()]);
        $this->deleteJson('/api/membership')->assertUnprocessable();
        $planner->update(['retired_at' => null]);
        $this->deleteJson('/api/membership')->assertOk();
        $this->getJson('/api/schedule')->assertNotFound();
    }

    public function test_everybody_leaves_by_themselves(): void
    {
        $this->as('bench')->deleteJson('/api/membership')->assertOk();
        $this->getJson('/api/schedule')->assertNotFound();
        $this->getJson('/api/session')->assertJsonCount(0, 'installations')->assertJsonPath('open', null);
    }

    public function test_an_import_takes_nobody_from_their_crew_and_gives_nobody_anything_elsewhere(): void
    {
        $data = json_decode(self::demo(), true, 64, JSON_THROW_ON_ERROR);
        $data['installation'] = ['id' => 'grab', 'name' => 'Grab'] + $data['installation'];
        foreach ($data['people'] as $i => $person) {
            $data['people'][$i]['roles'] = ['lead'];
        }
        $file = UploadedFile::fake()->createWithContent('grab.json', json_encode($data, JSON_THROW_ON_ERROR));
        $this->as('planner')
            ->post('/api/arrivals', ['file' => $file], ['Accept' => 'application/json'])
            ->assertStatus(202);
        $planner = $this->person('planner');
        self::assertSame(['planner'], $this->member('planner')->roles);
        self::assertSame(['installations'], $planner->offices);
        // The lead here still does with the planner here whatever a lead does.
        $this->as('lead')->of('brackwater');
        $this->patchJson('/api/crew/'.$planner->key, [
            'version' => 1,
            'roles' => ['bench'],
            'skills' => [],
        ])->assertOk();
        $this->deleteJson('/api/crew/'.$planner->key)->assertOk();
        $this->as('planner')->getJson('/api/schedule')->assertNotFound();
    }

    public function test_whoever_brings_a_file_in_leads_it_whatever_it_says(): void
    {
        $data = json_decode(self::demo(), true, 64, JSON_THROW_ON_ERROR);
        $data['installation'] = ['id' => 'third', 'name' => 'Third'] + $data['installation'];
        $send = fn (array $with) => $this->as('planner')->post(
            '/api/arrivals',
            [
                'file' => UploadedFile::fake()->createWithContent('x.json', json_encode($data, JSON_THROW_ON_ERROR)),
                ...$with,
            ],
            ['Accept' => 'application/json'],
        );
        $arrival = $send(['crew' => '0'])->assertStatus(202)->json('id');
        $address = $this->getJson('/api/arrivals/'.$arrival)->assertOk()->json('result.address');
        $made = StoredInstallation::query()->where('address', $address)->firstOrFail();
        // Without its crew: the record knows who did what, and nobody else is at work.
        self::assertSame(
            [$this->person('planner')->key],
            $made->atWork()->get()->map(static fn (Membership $each): string => $each->user->key)->all(),
        );
        self::assertSame(['planner', 'lead'], $made->atWork()->firstOrFail()->roles);
        $this->of('third')->getJson('/api/runs/A-114')->assertOk()->assertSee('Tove Castellan');
        $this->as('bench')->getJson('/api/schedule')->assertNotFound();
    }

    public function test_a_file_that_names_somebody_of_another_organisation_reaches_nobody(): void
    {
        $rival = Organisation::query()->create(['name' => 'Rival']);
        $boss = self::newcomer('boss@rival.example', $rival);
        $data = json_decode(self::demo(), true, 64, JSON_THROW_ON_ERROR);
        $data['installation'] = ['id' => 'reach', 'name' => 'Reach'] + $data['installation'];
        $data['people'][] = ['signIn' => 'boss@rival.example', 'name' => 'Boss', 'roles' => ['lead']];
        $data['people'][] = [
            'id' => $boss->key,
            'signIn' => 'x@rival.example',
            'name' => 'Boss too',
            'roles' => ['lead'],
        ];
        $this->as('lead')
            ->post(
                '/api/arrivals',
                ['file' => UploadedFile::fake()->createWithContent('x.json', json_encode($data, JSON_THROW_ON_ERROR))],
                ['Accept' => 'application/json'],
            )
            ->assertStatus(202);
        self::assertSame(0, $boss->memberships()->count());
        $same = User::query()->where('known_as', 'boss@rival.example')->pluck('organisation_id');
        self::assertEqualsCanonicalizing([$rival->id, self::organisation()->id], $same->all());
        $this->actingAs($boss)->getJson('/api/session')->assertJsonCount(0, 'installations');
    }

    public function test_two_organisations_may_have_the_same_file_and_never_see_each_other(): void
    {
        $rival = Organisation::query()->create(['name' => 'Rival']);
        $theirs = (new FileImporter())->import(InstallationFile::parse(self::demo()), $rival);
        $boss = self::newcomer('boss@rival.example', $rival);
        $theirs->take($boss, ['lead', 'planner']);
        $boss->update(['offices' => ['people', 'installations']]);
        $tove = $this->person('bench');
        self::newcomer('secret@brackwater.example');
        $this->actingAs($boss);
        $own = '/api/i/'.$theirs->address.'/';
        $this->getJson($own.'schedule')->assertOk();
        $this->getJson('/api/i/'.$this->installation->address.'/schedule')->assertNotFound();
        // Nobody of the other one, by any name: not in lists, not to be taken in, retired, invited or made lead.
        foreach (['api/organisation', substr($own, 1).'crew'] as $path) {
            self::assertStringNotContainsString(
                $tove->key,
                (string) $this->getJson('/'.$path)
                    ->assertOk()
                    ->getContent(),
            );
        }
        $this->postJson($own.'crew', [
            'person' => $tove->key,
            'roles' => ['bench'],
            'skills' => [],
        ])->assertJsonValidationErrorFor('person');
        $this->putJson('/api/organisation/people/'.$tove->key.'/retired', ['retired' => true])->assertNotFound();
        $this->postJson('/api/organisation/people/'.$tove->key.'/invitation')->assertNotFound();
        $this->putJson('/api/organisation/installations/'.$this->installation->address.'/lead', [
            'person' => $boss->key,
        ])->assertNotFound();
        // A sign-in name that the other one uses is no news to anybody.
        $this->postJson($own.'crew', [
            'name' => 'Namesake',
            'signIn' => 'secret@brackwater.example',
            'roles' => ['bench'],
            'skills' => [],
        ])->assertCreated();
        self::assertSame(0, $tove->memberships()->where('installation_id', $theirs->id)->count());
    }

    public function test_what_is_asked_of_a_member_names_what_is_wrong(): void
    {
        $this->as('lead')
            ->postJson('/api/crew', ['signIn' => 'x', 'name' => 'X', 'roles' => ['king'], 'skills' => ['magic']])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['roles.0', 'skills.0']);
        $this->postJson('/api/crew', ['roles' => ['bench'], 'skills' => []])
            ->assertUnprocessable()
            ->assertJsonValidationErrors(['name', 'signIn']);
        foreach (['planner', 'bench', 'tester', 'installer'] as $role) {
            $this->as($role)->getJson('/api/crew')->assertForbidden();
            $this->getJson('/api/crew/board')->assertOk();
        }
    }
}
