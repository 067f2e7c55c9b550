<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Formats\FileImporter;
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
                $route->uri() === 'api/{any}'
            ) {
                continue;
            }
            $uri = str_replace(
                ['{id}', '{kind}', '{cursor}', '{number}', '{name}', '{one}', '{other}', '{letter}', '{what}'],
                ['1', 'way', '1', '1', str_repeat('a', 64).'.png', 'A', 'B', 'A', 'plan'],
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
        $other = StoredInstallation::query()->create([
            'key' => 'other',
            'name' => 'Other',
            'rules' => [],
            'catalogue' => [],
            'panel' => [],
        ]);
        $this->as('planner')
            ->postJson('/api/installations/'.$other->id.'/open')
            ->assertNotFound();
        $other->crew()->attach($this->person('planner')->id);
        $this->as('planner')
            ->postJson('/api/installations/'.$other->id.'/open')
            ->assertOk()
            ->assertJsonPath('open.key', 'other');
    }

    private function second(): StoredInstallation
    {
        $data = json_decode(self::demo(), true, 64, JSON_THROW_ON_ERROR);
        $data['installation'] = ['id' => 'öresund sluice', 'name' => 'Sluice house'] + $data['installation'];

        return (new FileImporter())->import(InstallationFile::parse(json_encode($data, JSON_THROW_ON_ERROR)));
    }

    /** @return array<string, string> */
    private static function belonging(string $key): array
    {
        return ['Sartal-Installation' => rawurlencode($key)];
    }

    public function test_what_belongs_to_another_installation_than_is_open_is_not_written_and_not_read(): void
    {
        $other = $this->second();
        $this->as('tester')
            ->postJson('/api/installations/'.$other->id.'/open')
            ->assertOk()
            ->assertJsonPath('open.key', 'öresund sluice');
        $lit = $this->getJson('/api/runs/A-118/test', self::belonging('öresund sluice'))->assertOk()->json('expected');
        $record = ['id' => (string) Str::uuid(), 'kind' => 'tested', 'run' => 'A-118', 'reading' => ['lights' => $lit]];
        $events = StoredEvent::query()->count();
        $this->postJson('/api/events', $record, self::belonging('brackwater'))
            ->assertConflict()
            ->assertJsonPath('elsewhere.page.name', 'Brackwater Tide Station')
            ->assertJsonPath('elsewhere.open.name', 'Sluice house')
            ->assertJsonPath(
                'message',
                'This belongs to Brackwater Tide Station, and Sluice house is open. Nothing was read or written. Open Brackwater Tide Station again to go on with it.',
            );
        $this->getJson('/api/schedule', self::belonging('brackwater'))->assertConflict()->assertJsonMissingPath('rows');
        $this->getJson('/api/schedule?installation=brackwater')->assertConflict();
        $this->postJson('/api/events', $record)->assertConflict()->assertJsonPath('elsewhere.page', null);
        self::assertSame($events, StoredEvent::query()->count());
        $this->getJson('/api/schedule')->assertOk();
        $this->postJson('/api/installations/'.$this->installation->id.'/open')->assertOk();
        $this->postJson('/api/events', $record, self::belonging('brackwater'))->assertCreated();
        self::assertSame(1, $this->installation->events()->where('uuid', $record['id'])->count());
        self::assertSame(0, $other->events()->where('uuid', $record['id'])->count());
    }

    public function test_a_name_that_is_of_no_installation_of_ones_own_is_not_told_what_it_is_called(): void
    {
        StoredInstallation::query()->create([
            'key' => 'other',
            'name' => 'A secret',
            'rules' => [],
            'catalogue' => [],
            'panel' => [],
        ]);
        $this->as('planner')
            ->getJson('/api/schedule', self::belonging('other'))
            ->assertConflict()
            ->assertJsonPath('elsewhere.page.name', 'other');
    }

    public function test_signing_in_opens_what_was_open_last_on_whatever_device(): void
    {
        $other = $this->second();
        $this->person('lead')->update(['password' => 'secret words']);
        $in = ['signIn' => 'lead@brackwater.example', 'password' => 'secret words'];
        $this->postJson('/api/session', $in)->assertOk()->assertJsonPath('open.key', 'brackwater');
        $this->postJson('/api/installations/'.$other->id.'/open')->assertOk();
        $this->deleteJson('/api/session')->assertOk();
        self::assertSame(0, DB::table('desks')->count());
        $this->postJson('/api/session', $in)->assertOk()->assertJsonPath('open.key', 'öresund sluice');
        // Whoever is not of its crew any more begins with what is left.
        $other->crew()->detach($this->person('lead')->id);
        $this->getJson('/api/session')->assertOk()->assertJsonPath('open.key', 'brackwater');
    }

    public function test_a_request_that_was_under_way_does_not_bring_back_what_was_open_before(): void
    {
        $other = $this->second();
        $this->as('lead')
            ->postJson('/api/installations/'.$this->installation->id.'/open')
            ->assertOk();
        $under = session()->all();
        $this->postJson('/api/installations/'.$other->id.'/open')->assertOk();
        // It ends now, and writes its session as it was when it began.
        session()->flush();
        session()->put($under);
        $this->getJson('/api/session')->assertOk()->assertJsonPath('open.key', 'öresund sluice');
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
