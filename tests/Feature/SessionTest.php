<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Formats\FileImporter;
use App\Models\Addresses;
use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Sartal\Core\File\InstallationFile;
use Tests\TestCase;

final class SessionTest extends TestCase
{
    public function test_signing_in_renews_the_session_and_says_what_is_open(): void
    {
        $this->person('planner')->update(['password' => 'secret words']);
        self::assertNotSame('secret words', $this->person('planner')->password);
        self::assertTrue(Hash::check('secret words', (string) $this->person('planner')->password));
        $this->getJson('/api/session')->assertOk()->assertJsonPath('person', null);
        $before = session()->getId();
        $this->postJson('/api/session', ['signIn' => ' Planner@Brackwater.Example ', 'password' => 'secret words'])
            ->assertOk()
            ->assertJsonPath('person.roles', ['planner'])
            ->assertJsonPath('open.key', 'brackwater');
        self::assertNotSame($before, session()->getId());
        $this->deleteJson('/api/session')->assertOk();
        $this->getJson('/api/schedule')->assertUnauthorized();
    }

    public function test_an_account_is_locked_for_a_while_after_five_wrong_passwords_and_others_are_not(): void
    {
        $this->person('planner')->update(['password' => 'right']);
        $this->person('bench')->update(['password' => 'right']);
        for ($i = 0; $i < 5; $i++) {
            $this->postJson('/api/session', ['signIn' => 'planner@brackwater.example', 'password' => 'wrong'])
                ->assertUnprocessable()
                ->assertJsonValidationErrors('signIn');
        }
        $this->postJson('/api/session', [
            'signIn' => 'planner@brackwater.example',
            'password' => 'right',
        ])->assertTooManyRequests();
        $this->postJson('/api/session', ['signIn' => 'bench@brackwater.example', 'password' => 'right'])->assertOk();
    }

    public function test_somebody_known_from_a_file_alone_cannot_sign_in(): void
    {
        self::assertNull($this->person('lead')->password);
        $this->postJson('/api/session', [
            'signIn' => 'lead@brackwater.example',
            'password' => '',
        ])->assertUnprocessable();
        $this->postJson('/api/session', [
            'signIn' => 'lead@brackwater.example',
            'password' => 'null',
        ])->assertUnprocessable();
    }

    public function test_every_route_but_signing_in_needs_a_person(): void
    {
        $checked = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (
                ! str_starts_with($route->uri(), 'api/') ||
                $route->uri() === 'api/session' ||
                in_array($route->uri(), ['api/{any}', 'api/{earlier}', 'api/invitations/{token}', 'api/docs'], true)
            ) {
                continue;
            }
            $uri = str_replace(
                [
                    '{address}',
                    'site/since/{cursor}',
                    'schedule/views/{id}',
                    '{id}',
                    '{kind}',
                    '{cursor}',
                    '{number}',
                    '{name}',
                    '{one}',
                    '{other}',
                    '{letter}',
                    '{what}',
                ],
                [
                    $this->installation->address,
                    'site/since/0123456789abcdef.0',
                    'schedule/views/00000000-0000-4000-8000-000000000001',
                    '1',
                    'way',
                    '1',
                    '1',
                    str_repeat('a', 64).'.png',
                    'A',
                    'B',
                    'A',
                    'plan',
                ],
                $route->uri(),
            );
            $this->json($route->methods()[0], '/'.$uri)->assertUnauthorized();
            $checked++;
        }
        self::assertGreaterThan(18, $checked);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function forbidden(): iterable
    {
        foreach (['bench', 'installer', 'tester'] as $role) {
            yield $role.' adds' => [$role, 'POST', 'runs'];
            yield $role.' edits' => [$role, 'PATCH', 'runs/A-114'];
            yield $role.' removes' => [$role, 'DELETE', 'runs/A-114'];
            yield $role.' imports' => [$role, 'POST', 'import'];
            yield $role.' changes rules' => [$role, 'PUT', 'rules'];
            yield $role.' undoes' => [$role, 'POST', 'changes/1/undo'];
        }
    }

    #[DataProvider('forbidden')]
    public function test_who_does_not_plan_does_not_write_plans(string $role, string $method, string $path): void
    {
        $this->as($role)
            ->json($method, '/api/'.$path)
            ->assertForbidden();
    }

    public function test_an_installation_of_another_crew_cannot_be_opened(): void
    {
        $other = self::bare('other', 'Other');
        $this->as('planner')
            ->postJson('/api/installations/'.$other->id.'/open')
            ->assertNotFound();
        $other->take($this->person('planner'), ['planner']);
        $this->as('planner')
            ->postJson('/api/installations/'.$other->id.'/open')
            ->assertOk()
            ->assertJsonPath('open.key', 'other');
    }

    private function second(): StoredInstallation
    {
        $data = json_decode(self::demo(), true, 64, JSON_THROW_ON_ERROR);
        $data['installation'] = ['id' => 'öresund sluice', 'name' => 'Sluice house'] + $data['installation'];

        return (new FileImporter())->import(
            InstallationFile::parse(json_encode($data, JSON_THROW_ON_ERROR)),
            self::organisation(),
        );
    }

    /** @return array<string, string> */
    private static function belonging(string $key): array
    {
        return ['Sartal-Installation' => rawurlencode($key)];
    }

    public function test_what_belongs_to_another_installation_than_its_address_names_is_not_written_and_not_read(): void
    {
        $other = $this->second();
        $this->as('tester')->of('öresund sluice');
        $lit = $this->getJson('/api/runs/A-118/test')->assertOk()->json('expected');
        $record = ['id' => (string) Str::uuid(), 'kind' => 'tested', 'run' => 'A-118', 'reading' => ['lights' => $lit]];
        $events = StoredEvent::query()->count();
        // By its address, or by its file's name as pages of the first version have it.
        foreach ([$this->installation->address, 'brackwater'] as $said) {
            $this->postJson('/api/events', $record, self::belonging($said))
                ->assertConflict()
                ->assertJsonPath('elsewhere.page.name', 'Brackwater Tide Station')
                ->assertJsonPath('elsewhere.open.name', 'Sluice house')
                ->assertJsonPath(
                    'message',
                    'This belongs to Brackwater Tide Station, and it was sent to Sluice house. Nothing was read or '.
                        'written.',
                );
            $this->getJson('/api/schedule', self::belonging($said))->assertConflict()->assertJsonMissingPath('rows');
        }
        self::assertSame($events, StoredEvent::query()->count());
        $this->of('brackwater')->postJson('/api/events', $record, self::belonging('brackwater'))->assertCreated();
        self::assertSame(1, $this->installation->events()->where('uuid', $record['id'])->count());
        self::assertSame(0, $other->events()->where('uuid', $record['id'])->count());
    }

    public function test_what_is_of_somebody_else_than_is_signed_in_by_now_is_not_written_under_the_wrong_name(): void
    {
        $mark = ['id' => Str::uuid()->toString(), 'kind' => 'labelled', 'run' => 'A-121'];
        $count = StoredEvent::query()->count();
        $tester = $this->person('tester');
        foreach ([$tester->key, $tester->sign_in, 'nobody'] as $said) {
            $this->as('lead')
                ->withHeader('Sartal-Person', (string) $said)
                ->postJson('/api/events', $mark)
                ->assertConflict()
                ->assertJsonPath('somebodyElse.name', $this->person('lead')->name);
            // What it reads is as it is for whoever is signed in.
            $this->getJson('/api/schedule')->assertOk();
        }
        self::assertSame($count, StoredEvent::query()->count());
        // Records of an earlier version have the sign-in name.
        foreach ([$this->person('lead')->key, $this->person('lead')->sign_in] as $at => $said) {
            $this->withHeader('Sartal-Person', (string) $said)
                ->postJson('/api/events', $mark)
                ->assertStatus($at === 0 ? 201 : 200);
        }
    }

    public function test_a_name_that_is_of_no_installation_of_ones_own_is_not_told_what_it_is_called(): void
    {
        $other = self::secret();
        foreach ([$other->key, $other->address] as $said) {
            $this->as('planner')
                ->getJson('/api/schedule', self::belonging($said))
                ->assertConflict()
                ->assertJsonPath('elsewhere.page.name', $said);
        }
    }

    private static function secret(): StoredInstallation
    {
        return self::bare('other', 'A secret');
    }

    public function test_an_address_of_another_crew_answers_like_one_that_was_never_given(): void
    {
        $answer = fn (string $address): string => (string) $this->as('lead')
            ->getJson('/api/i/'.$address.'/schedule')
            ->assertNotFound()
            ->json('message');
        self::assertSame($answer('qq000'), $answer(self::secret()->address));
        $this->as('lead')
            ->getJson('/api/i/'.strtoupper($this->installation->address).'/schedule')
            ->assertOk();
    }

    public function test_addresses_are_short_and_are_never_given_twice(): void
    {
        $secret = self::secret();
        self::assertMatchesRegularExpression('/^[b-df-hj-np-tv-xz]{2}[0-9]{3}$/', $secret->address);
        self::assertNotSame($secret->address, $this->installation->address);
        $secret->delete();
        self::assertTrue(DB::table('addresses')->where('address', $secret->address)->exists());
        $given = [];
        for ($i = 0; $i < 50; $i++) {
            $given[] = Addresses::mint();
        }
        self::assertSame($given, array_values(array_unique($given)));
        self::assertNotContains($secret->address, $given);
    }

    public function test_a_page_of_the_first_version_is_told_to_load_itself_anew_and_keeps_what_it_holds(): void
    {
        $count = StoredEvent::query()->count();
        $record = ['id' => (string) Str::uuid(), 'kind' => 'labelled', 'run' => 'A-118'];
        foreach (['POST' => 'events', 'GET' => 'schedule'] as $method => $path) {
            $this->as('bench')
                ->json($method, config('app.url').'/api/'.$path, $record, self::belonging('brackwater'))
                ->assertConflict()
                ->assertJsonPath('elsewhere.open.name', 'a newer version of this page');
        }
        self::assertSame($count, StoredEvent::query()->count());
    }

    public function test_signing_in_leads_back_to_where_one_was_on_whatever_device(): void
    {
        $other = $this->second();
        $this->person('lead')->update(['password' => 'secret words']);
        $in = ['signIn' => 'lead@brackwater.example', 'password' => 'secret words'];
        $this->postJson('/api/session', $in)->assertOk()->assertJsonPath('open.key', 'brackwater');
        $this->of('öresund sluice')->putJson('/api/last')->assertOk();
        $this->deleteJson('/api/session')->assertOk();
        $this->postJson('/api/session', $in)->assertOk()->assertJsonPath('open.key', 'öresund sluice');
        $this->getJson('/api/session?at='.$this->installation->address)
            ->assertOk()
            ->assertJsonPath('open.key', 'brackwater');
        $this->getJson('/api/session?at=qq000')->assertOk()->assertJsonPath('open', null);
        // Whoever is not of its crew any more begins with what is left.
        $other
            ->memberships()
            ->where('user_id', $this->person('lead')->id)
            ->update(['ended_at' => now()]);
        $this->getJson('/api/session')->assertOk()->assertJsonPath('open.key', 'brackwater');
    }

    public function test_no_other_page_may_hold_ours_and_ours_loads_nothing_from_elsewhere(): void
    {
        $this->withoutVite();
        foreach (['/sign-in', '/api/session', '/api/nothing-such'] as $path) {
            $headers = $this->get($path)->headers;
            self::assertSame('DENY', $headers->get('X-Frame-Options'));
            self::assertStringContainsString("default-src 'self'", (string) $headers->get('Content-Security-Policy'));
            self::assertSame('nosniff', $headers->get('X-Content-Type-Options'));
        }
    }
}
