<?php

declare(strict_types=1);

namespace Tests\Feature\Who;

use App\Contract\OpenApi;
use App\Models\Membership;
use App\Models\Office;
use App\Models\Organisation;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Http\Response;
use Illuminate\Routing\Contracts\ControllerDispatcher;
use Illuminate\Routing\Route;
use Illuminate\Support\Str;
use Tests\TestCase;

/**
 * Every address for every kind of person, against answers that were written down apart (`rights.txt`): by role, by
 * membership, by organisation. Whoever is let through is stopped before anything is done.
 */
final class RightsOfAllTest extends TestCase
{
    private const ROLES = ['p' => 'planner', 'b' => 'bench', 'i' => 'installer', 't' => 'tester', 'l' => 'lead'];

    /** Of no crew of this installation, in whatever way: to them it is not there. */
    private const OUTSIDE = ['of another organisation', 'of another crew', 'of the crew no more', 'with every office'];

    private const THROUGH = 299;

    /** @var array<string, User> */
    private array $people = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->app->instance(
            ControllerDispatcher::class,
            new class implements ControllerDispatcher
            {
                public function dispatch(Route $route, mixed $controller, mixed $method): Response
                {
                    return new Response('', 299);
                }

                /** @return array<string> */
                public function getMiddleware(mixed $controller, mixed $method): array
                {
                    return [];
                }
            },
        );
        $this->withoutMiddleware(\Illuminate\Routing\Middleware\ThrottleRequests::class);
        foreach (self::ROLES as $role) {
            $this->people[$role] = $this->joined($this->newly($role), [$role]);
        }
        $other = Organisation::query()->create(['name' => 'Pump house crew']);
        $this->people['of another organisation'] = $this->leadsElsewhere('of another organisation', $other);
        $this->people['of another crew'] = $this->leadsElsewhere('of another crew', self::organisation());
        $ended = $this->joined($this->newly('ended'), ['lead']);
        Membership::query()
            ->where('user_id', $ended->id)
            ->update(['ended_at' => now()]);
        $this->people['of the crew no more'] = $ended;
        $this->people['with every office'] = $this->newly('offices');
        $this->people['with every office']->update(['offices' => array_column(Office::cases(), 'value')]);
    }

    private function newly(string $name, ?Organisation $of = null): User
    {
        return self::newcomer(Str::slug($name).'@rights.example', $of);
    }

    /** @param  list<string>  $roles */
    private function joined(User $user, array $roles, ?StoredInstallation $of = null): User
    {
        ($of ?? $this->installation)->memberships()->create([
            'user_id' => $user->id,
            'roles' => $roles,
            'skills' => [],
            'version' => 1,
        ]);

        return $user;
    }

    private function leadsElsewhere(string $name, Organisation $of): User
    {
        $user = $this->newly($name, $of);
        $user->update(['offices' => array_column(Office::cases(), 'value')]);

        return $this->joined($user, ['lead'], self::bare('elsewhere-'.Str::slug($name), 'Elsewhere', $of));
    }

    /** @return array<string, string> method and address → letters of who may */
    private static function table(): array
    {
        $all = [];
        foreach (file(__DIR__.'/rights.txt', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            if (preg_match('~^([A-Z]+)\s+(\S+)\s+([pbitl.]+)$~', $line, $found) === 1) {
                $all[$found[1].' '.$found[2]] = $found[3];
            }
        }

        return $all;
    }

    private function statusOf(?string $who, string $verb, string $path): int
    {
        $this->app['auth']->forgetGuards();
        if ($who !== null) {
            $this->actingAs($this->people[$who]);
        }

        return $this->json($verb, '/api/'.$path)->getStatusCode();
    }

    public function test_every_kind_of_person_at_every_address_of_an_installation(): void
    {
        $wrong = [];
        $cases = 0;
        foreach (self::table() as $what => $letters) {
            [$verb, $path] = explode(' ', $what);
            $expected = ['' => 401] + array_fill_keys(self::OUTSIDE, 404);
            foreach (self::ROLES as $letter => $role) {
                $expected[$role] = str_contains($letters, $letter) ? self::THROUGH : 403;
            }
            foreach ($expected as $who => $status) {
                $cases++;
                $is = $this->statusOf($who === '' ? null : $who, $verb, $path);
                if ($is !== $status) {
                    $wrong[] = sprintf('%s, %s: %d, and should be %d', $what, $who ?: 'nobody', $is, $status);
                }
            }
        }
        self::assertSame([], $wrong);
        self::assertGreaterThan(1000, $cases);
    }

    /** What is not in the table cannot be right or wrong: so everything is. */
    public function test_every_address_of_an_installation_is_in_the_table(): void
    {
        $table = array_keys(self::table());
        foreach (app(OpenApi::class)->routes() as $route) {
            if (! str_starts_with($route->uri(), 'api/i/{address}/')) {
                continue;
            }
            $uri = substr($route->uri(), strlen('api/i/{address}/'));
            $pattern = '~^'.preg_replace('~\\\\\{\w+\\\\\}~', '[^/]+', preg_quote($uri, '~')).'$~';
            foreach (array_diff($route->methods(), ['HEAD']) as $verb) {
                $found = array_filter(
                    $table,
                    static fn (string $what): bool => str_starts_with($what, $verb.' ') &&
                        preg_match($pattern, substr($what, strlen($verb) + 1)) === 1,
                );
                self::assertNotSame([], $found, $verb.' '.$uri.' is not in rights.txt.');
            }
        }
    }

    /** Offices are of an organisation: they open its pages, and no installation of its crews'. */
    public function test_what_an_office_opens(): void
    {
        $people = $this->newly('people');
        $people->update(['offices' => ['people']]);
        $begins = $this->newly('installations');
        $begins->update(['offices' => ['installations']]);
        $this->people += ['people' => $people, 'installations' => $begins, 'neither' => $this->newly('neither')];
        $both = [
            'GET organisation' => 'pin',
            'GET installations' => 'pin',
            'GET session/devices' => 'pin',
            'PUT session/name' => 'pin',
            'PUT session/password' => 'pin',
            'GET docs.json' => 'pin',
            'PUT organisation' => 'p',
            'GET organisation/log' => 'p',
            'POST organisation/people' => 'p',
            'PATCH organisation/people/x' => 'p',
            'PUT organisation/people/x/retired' => 'p',
            'POST organisation/people/x/invitation' => 'p',
            'PUT organisation/installations/x/lead' => 'p',
            'POST installations' => 'i',
            'POST arrivals' => 'i',
            'GET arrivals' => 'pin',
            'GET arrivals/x' => 'pin',
            'DELETE arrivals/x' => 'pin',
        ];
        foreach ($both as $what => $letters) {
            [$verb, $path] = explode(' ', $what);
            self::assertSame(401, $this->statusOf(null, $verb, $path), $what);
            foreach (['p' => 'people', 'i' => 'installations', 'n' => 'neither'] as $letter => $who) {
                $expected = str_contains($letters, $letter) ? self::THROUGH : 403;
                self::assertSame($expected, $this->statusOf($who, $verb, $path), $what.', '.$who);
            }
        }
        // To begin one from another takes both: who plans here, and who begins installations.
        foreach (['planner' => 403, 'lead' => 403, 'with every office' => 404] as $who => $status) {
            self::assertSame($status, $this->statusOf($who, 'POST', 'templates'), $who);
        }
        foreach (['planner', 'lead'] as $role) {
            $this->people[$role]->update(['offices' => ['installations']]);
            self::assertSame(self::THROUGH, $this->statusOf($role, 'POST', 'templates'), $role);
        }
        // A type of the library is everybody's: it is taken out by whoever looks after installations.
        self::assertSame(self::THROUGH, $this->statusOf('planner', 'DELETE', 'library/cable/x'));
        $this->people['planner']->update(['offices' => []]);
        self::assertSame(403, $this->statusOf('planner', 'DELETE', 'library/cable/x'));
    }
}
