<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Formats\FileImporter;
use App\Formats\RecentRecord;
use App\Models\Office;
use App\Models\Organisation;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Who\DemoDoor;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Sartal\Core\File\InstallationFile;

/** Loads the demo into an empty database, through the importer that everybody's files pass. */
final class DemoCommand extends Command
{
    /** Working days on which the demo's crew has been at it. */
    private const DAYS = 9;

    protected $signature = 'sartal:demo {--if-empty : do nothing where there is an installation already} {--sign-ins '.
        ': only print the demo\'s sign-ins}';

    protected $description = 'Load the Brackwater Tide Station';

    public function handle(FileImporter $importer): int
    {
        if ($this->option('sign-ins')) {
            return $this->signIns();
        }
        if (StoredInstallation::query()->exists() || User::query()->exists()) {
            if (! $this->option('if-empty')) {
                $this->error('The database is not empty, so the demo stays out.');
            }

            return $this->option('if-empty') ? self::SUCCESS : self::FAILURE;
        }
        $organisation = Organisation::query()->create(['name' => 'Brackwater crew']);
        $demo = (string) file_get_contents(database_path('demo/brackwater.json'));
        /** @var array<int|string, mixed> $data */
        $data = json_decode($demo, true, 512, JSON_THROW_ON_ERROR);
        $recent = RecentRecord::of($data, CarbonImmutable::now('UTC'), self::DAYS);
        $file = InstallationFile::parse(json_encode($recent, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
        $stored = $importer->import($file, $organisation);
        foreach ($stored->memberships()->with('user')->get() as $member) {
            $member->user->update([
                'sign_in' => $member->user->known_as,
                'password' => DemoDoor::PASSWORD,
                'shown_at_door' => true,
                'offices' => match (true) {
                    $member->hasRole(Role::Lead) => array_column(Office::cases(), 'value'),
                    $member->hasRole(Role::Planner) => [Office::Installations->value],
                    default => [],
                },
            ]);
        }
        $this->info('The demo is loaded: the Brackwater Tide Station.');

        return self::SUCCESS;
    }

    private function signIns(): int
    {
        $demo = DemoDoor::shown();
        if ($demo !== null) {
            $this->line('Demo sign-ins, all with the password '.$demo['password'].':');
            foreach ($demo['people'] as $person) {
                $this->line(sprintf('  %-30s %s', $person['signIn'], implode(', ', $person['roles'])));
            }
        }

        return self::SUCCESS;
    }
}
