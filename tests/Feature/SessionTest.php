<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\StoredInstallation;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;
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
            ->assertOk()->assertJsonPath('person.roles', ['planner'])->assertJsonPath('open.key', 'brackwater');
        self::assertNotSame($before, session()->getId());
        $this->deleteJson('/api/session')->assertOk();
        $this->getJson('/api/schedule')->assertUnauthorized();
    }

    public function test_an_account_is_locked_for_a_while_after_five_wrong_passwords_and_others_are_not(): void
    {
        $this->person('planner')->update(['password' => 'right']);
        $this->person('bench')->update(['password' => 'right']);
        for ($i = 0; $i < 5; $i++) {
            $this->postJson('/api/session', ['signIn' => 'planner@brackwater.example', 'password' => 'wrong'])->assertUnprocessable()->assertJsonValidationErrors('signIn');
        }
        $this->postJson('/api/session', ['signIn' => 'planner@brackwater.example', 'password' => 'right'])->assertTooManyRequests();
        $this->postJson('/api/session', ['signIn' => 'bench@brackwater.example', 'password' => 'right'])->assertOk();
    }

    public function test_somebody_known_from_a_file_alone_cannot_sign_in(): void
    {
        self::assertNull($this->person('lead')->password);
        $this->postJson('/api/session', ['signIn' => 'lead@brackwater.example', 'password' => ''])->assertUnprocessable();
        $this->postJson('/api/session', ['signIn' => 'lead@brackwater.example', 'password' => 'null'])->assertUnprocessable();
    }

    public function test_every_route_but_signing_in_needs_a_person(): void
    {
        $checked = 0;
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (! str_starts_with($route->uri(), 'api/') || $route->uri() === 'api/session' || $route->uri() === 'api/{any}') {
                continue;
            }
            $uri = str_replace(['{id}', '{kind}', '{cursor}', '{number}', '{name}', '{one}', '{other}', '{letter}', '{what}'], ['1', 'way', '1', '1', str_repeat('a', 64).'.png', 'A', 'B', 'A', 'plan'], $route->uri());
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
        $this->as($role)->json($method, '/api/'.$path)->assertForbidden();
    }

    public function test_an_installation_of_another_crew_cannot_be_opened(): void
    {
        $other = StoredInstallation::query()->create(['key' => 'other', 'name' => 'Other', 'rules' => [], 'catalogue' => [], 'panel' => []]);
        $this->as('planner')->postJson('/api/installations/'.$other->id.'/open')->assertNotFound();
        $other->crew()->attach($this->person('planner')->id);
        $this->as('planner')->postJson('/api/installations/'.$other->id.'/open')->assertOk()->assertJsonPath('open.key', 'other');
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
