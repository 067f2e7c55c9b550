<?php

declare(strict_types=1);

namespace App\Formats;

use App\Models\Role;
use App\Models\StoredEntry;
use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use App\Models\StoredRun;
use App\Models\User;
use App\Planning\ShippedCatalogue;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Person;
use Sartal\Core\File\Problem;
use Sartal\Core\File\RunCodec;
use Sartal\Core\File\StockCodec;
use Sartal\Core\File\TestingCodec;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\UsedTypes;
use Sartal\Core\Proof\Record\Event;

/** An installation file into the database: all of it or nothing. The demo comes in this way too. */
final class FileImporter
{
    private const CHUNK = 500;

    /** @throws InvalidDocument naming everything that is wrong with it */
    public function import(InstallationFile $file): StoredInstallation
    {
        self::check($file);

        return DB::transaction(function () use ($file): StoredInstallation {
            $in = FileEncoder::installation($file->installation);
            $stored = StoredInstallation::query()->create([
                'key' => $file->installation->id,
                'name' => $file->installation->name,
                'decisions' => (string) Str::ulid(),
                'rules' => FileEncoder::rules($file->installation->rules()),
                'catalogue' => CatalogueEncoder::catalogue(self::pinned($file->installation)),
                'economy' => StockCodec::encodeEconomy($file->installation->economy()),
                'workshop' => StockCodec::encodeWorkshop($file->installation->workshop()),
                'testing' => TestingCodec::encodeRules($file->installation->testing()),
                'panel' => array_intersect_key($in, array_flip(['matings', 'splices', 'links', 'switches'])),
            ]);
            $people = $this->people($file->people);
            $stored->crew()->attach(array_values($people));
            foreach (DecisionKind::entries() as $kind) {
                /** @var list<array<int|string, mixed>> $entries */
                $entries = $in[$kind->list()];
                $this->insert(
                    StoredEntry::class,
                    array_map(
                        static fn (array $entry): array => [
                            'installation_id' => $stored->id,
                            'kind' => $kind->value,
                            'key' => $entry['id'],
                            'definition' => json_encode($entry),
                        ],
                        $entries,
                    ),
                );
            }
            $runs = [];
            foreach ($file->installation->runs() as $run) {
                $runs[] = [
                    'installation_id' => $stored->id,
                    'key' => $run->id,
                    'code' => $run->code,
                    'withdrawn' => $run->withdrawn,
                    'definition' => json_encode(RunCodec::encode($run)),
                ];
            }
            $this->insert(StoredRun::class, $runs);
            $this->insert(
                StoredEvent::class,
                array_map(
                    static fn (Event $event): array => [
                        'uuid' => $event->id,
                        'installation_id' => $stored->id,
                        'run' => $event->run,
                        'kind' => $event->kind->value,
                        'step' => $event->step,
                        'user_id' => $people[$event->by],
                        'definition' => json_encode(EventCodec::encode($event)),
                        'created_at' => now(),
                    ],
                    $file->record->events,
                ),
            );

            return $stored;
        });
    }

    /** What the file pins, and whatever else it uses of the shipped types. */
    private static function pinned(Installation $installation): Catalogue
    {
        $merged = $installation->withCatalogue($installation->catalogue->plus(ShippedCatalogue::load()));

        return $installation->catalogue->plus(UsedTypes::in($merged));
    }

    /** @throws InvalidDocument */
    private static function check(InstallationFile $file): void
    {
        $problems = [];
        if (StoredInstallation::query()->where('key', $file->installation->id)->exists()) {
            $problems[] = new Problem(
                'installation.id',
                $file->installation->id,
                'is already here. Give the file another id to bring it in beside that one.',
            );
        }
        $codes = [];
        foreach (array_values($file->installation->runs()) as $i => $run) {
            if (! $run->withdrawn && isset($codes[$run->code])) {
                $problems[] = new Problem(
                    'runs['.$i.'].code',
                    $run->code,
                    sprintf('is the code of runs[%d] as well. Give each run a code of its own.', $codes[$run->code]),
                );
            }
            $codes[$run->code] ??= $i;
        }
        $known = array_map(static fn (Role $role): string => $role->value, Role::cases());
        foreach ($file->people as $i => $person) {
            foreach (array_diff($person->roles, $known) as $role) {
                $problems[] = new Problem(
                    'people['.$i.'].roles',
                    $role,
                    'should be one of: '.implode(', ', $known).'.',
                );
            }
        }
        if ($problems !== []) {
            throw new InvalidDocument($problems);
        }
    }

    /**
     * People are known by their sign-in name. One who is here already stays as
     * they are: a file can neither set a password nor give anybody more rights.
     *
     * @param  list<Person>  $people
     * @return array<int|string, int> sign-in name → user id
     */
    private function people(array $people): array
    {
        $ids = [];
        foreach ($people as $person) {
            $user = User::query()->firstOrCreate(
                ['sign_in' => $person->signIn],
                ['name' => $person->name, 'roles' => $person->roles, 'skills' => $person->skills],
            );
            $ids[$person->signIn] = $user->id;
        }

        return $ids;
    }

    /**
     * @param  class-string<StoredEntry|StoredRun|StoredEvent>  $model
     * @param  list<array<int|string, mixed>>  $rows
     */
    private function insert(string $model, array $rows): void
    {
        foreach (array_chunk($rows, self::CHUNK) as $chunk) {
            $model::query()->insert($chunk);
        }
    }
}
