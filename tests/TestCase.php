<?php

declare(strict_types=1);

namespace Tests;

use App\Formats\FileImporter;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Foundation\Testing\TestCase as Base;
use Sartal\Core\File\InstallationFile;

/** Feature tests run against PostgreSQL with the demo in it, through the importer; each in a transaction. */
abstract class TestCase extends Base
{
    use Placed;
    use RefreshDatabase;

    protected StoredInstallation $installation;

    protected function setUp(): void
    {
        parent::setUp();
        $this->installation = StoredInstallation::query()->where('key', 'brackwater')->firstOrFail();
    }

    /** Once for all tests of a run: each of them works in a transaction on top of it. */
    protected function refreshTestDatabase(): void
    {
        $isFirst = ! RefreshDatabaseState::$migrated;
        if ($isFirst) {
            $this->migrateDatabases();
            $this->app[Kernel::class]->setArtisan(null);
            (new FileImporter())->import(InstallationFile::parse(self::demo()));
            RefreshDatabaseState::$migrated = true;
        }
        $this->beginDatabaseTransaction();
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
