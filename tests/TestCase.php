<?php

declare(strict_types=1);

namespace Tests;

use App\Formats\FileImporter;
use App\Models\Membership;
use App\Models\Organisation;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Http\Events\RequestHandled;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Foundation\Testing\TestCase as Base;
use Illuminate\Support\Lottery;
use Sartal\Core\File\InstallationFile;
use Tests\Support\Contract;

/** Feature tests run against PostgreSQL with the demo in it, through the importer; each in a transaction. */
abstract class TestCase extends Base
{
    use Placed;
    use RefreshDatabase;

    protected StoredInstallation $installation;

    protected function setUp(): void
    {
        parent::setUp();
        // What a page is made of is the browser's tests' to look at; here it need not be built.
        $this->withoutVite();
        // Whether too much is kept is looked at now and then: questions are counted without that.
        Lottery::alwaysLose();
        $this->app['events']->listen(RequestHandled::class, Contract::hold(...));
        $this->installation = StoredInstallation::query()->where('key', 'brackwater')->firstOrFail();
    }

    /** Once for all tests of a run: each of them works in a transaction on top of it. */
    protected function refreshTestDatabase(): void
    {
        $isFirst = ! RefreshDatabaseState::$migrated;
        if ($isFirst) {
            $this->migrateDatabases();
            $this->app[Kernel::class]->setArtisan(null);
            self::people((new FileImporter())->import(InstallationFile::parse(self::demo()), self::organisation()));
            RefreshDatabaseState::$migrated = true;
        }
        $this->beginDatabaseTransaction();
    }

    /** The demo's, and whatever else belongs to it. */
    protected static function organisation(): Organisation
    {
        return Organisation::query()->firstOrCreate(['name' => 'Brackwater crew']);
    }

    /** As they are once they have come: with a sign-in name, and with what they look after. */
    private static function people(StoredInstallation $demo): void
    {
        foreach ($demo->memberships()->with('user')->get() as $member) {
            $member->user->update([
                'sign_in' => $member->user->known_as,
                'offices' => match (true) {
                    $member->hasRole(Role::Lead) => ['people', 'installations'],
                    $member->hasRole(Role::Planner) => ['installations'],
                    default => [],
                },
            ]);
        }
    }

    /** An installation with nothing in it and nobody. */
    protected static function bare(string $key, string $name, ?Organisation $of = null): StoredInstallation
    {
        return StoredInstallation::query()->create([
            'organisation_id' => ($of ?? self::organisation())->id,
            'key' => $key,
            'name' => $name,
            'rules' => [],
            'catalogue' => [],
            'panel' => [],
        ]);
    }

    /** Somebody new, of this organisation or of another. */
    protected static function newcomer(string $signIn, ?Organisation $of = null): User
    {
        return User::query()->create([
            'organisation_id' => ($of ?? self::organisation())->id,
            'sign_in' => $signIn,
            'known_as' => $signIn,
            'name' => 'Newcomer',
            'password' => 'x',
        ]);
    }

    /** Under which something that runs share was written last. */
    protected function version(string $kind, string $id): int
    {
        $version = $this->installation->entries()->where('kind', $kind)->where('key', $id)->value('version');

        return is_int($version) ? $version : 0;
    }

    protected function member(string $role): Membership
    {
        return $this->installation->memberships()->where('user_id', $this->person($role)->id)->firstOrFail();
    }

    protected static function demo(): string
    {
        return (string) file_get_contents(dirname(__DIR__).'/database/demo/brackwater.json');
    }

    protected function person(string $role): User
    {
        return User::query()
            ->where('sign_in', $role.'@brackwater.example')
            ->firstOrFail();
    }

    protected function as(string $role): static
    {
        return $this->actingAs($this->person($role));
    }

    /**
     * @param  array<string, string>  $with
     * @return array<string, string>
     */
    protected static function line(array $with = []): array
    {
        return [
            ...[
                'code' => 'A-900',
                'cable' => 'pair-foil',
                'signals' => 'analogue',
                'build' => 'shop',
                'from' => 'lectern',
                'to' => 'amp-rack-1',
                'plans_a' => 'xlr3-female-cable-balanced',
                'plans_b' => 'xlr3-male-cable-balanced',
                'ways' => 'under-stage|riser-a',
                'tail_a' => '1.5',
                'tail_b' => '0.9',
                'slack_a' => '0.3',
                'slack_b' => '0.3',
                'preparation_a' => '0.04',
                'preparation_b' => '0.05',
                'spares_a' => '1',
                'spares_b' => '1',
            ],
            ...$with,
        ];
    }
}
