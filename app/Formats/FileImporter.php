<?php

declare(strict_types=1);

namespace App\Formats;

use App\Models\Organisation;
use App\Models\PersonKey;
use App\Models\Role;
use App\Models\StoredEntry;
use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use App\Models\StoredRun;
use App\Models\User;
use App\Planning\ShippedCatalogue;
use Closure;
use Illuminate\Database\Eloquent\Builder;
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
use Sartal\Core\Plan\Checks\Instruments;
use Sartal\Core\Proof\Record\Event;

/** An installation file into the database: all of it or nothing. The demo comes in this way too. */
final class FileImporter
{
    private const CHUNK = 500;

    /**
     * @param  bool  $crew  whether its people become the crew; those of its record are known in any case
     *
     * @throws InvalidDocument naming everything that is wrong with it
     */
    public function import(InstallationFile $file, Organisation $for, bool $crew = true): StoredInstallation
    {
        self::check($file, $for);

        return DB::transaction(function () use ($file, $for, $crew): StoredInstallation {
            $in = FileEncoder::installation($file->installation);
            $stored = StoredInstallation::query()->create([
                'organisation_id' => $for->id,
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
            $people = $this->people($file, $stored, $crew);
            $instruments = new Instruments($file->installation);
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
                        'user_id' => $people[$event->by]->id,
                        'definition' => json_encode(
                            ['by' => $people[$event->by]->key] +
                                EventCodec::encode(
                                    $event->with === []
                                        ? $event->measuredWith($instruments->ids($event->instrument))
                                        : $event,
                                ),
                        ),
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
    private static function check(InstallationFile $file, Organisation $for): void
    {
        $problems = [];
        if ($for->installations()->where('key', $file->installation->id)->exists()) {
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
     * Those whom the organisation has already stay as they are: a file can neither set a password nor give anybody
     * an office, and what its people may do they may in this installation alone.
     *
     * @return array<int|string, User> what the file calls them → person
     */
    private function people(InstallationFile $file, StoredInstallation $stored, bool $crew): array
    {
        $recorded = [];
        foreach ($file->record->events as $event) {
            $recorded[$event->by] = true;
        }
        $people = [];
        foreach ($file->people as $person) {
            if (! $crew && ! isset($recorded[$person->id])) {
                continue;
            }
            $user =
                self::colleague($person, $stored->organisation_id) ?? self::stranger($person, $stored->organisation_id);
            $member = $stored->take($user, $person->roles, $person->skills);
            if (! $crew || $person->roles === []) {
                $member->update(['ended_at' => now()]);
            }
            $people[$person->id] = $user;
        }

        return $people;
    }

    private static function colleague(Person $person, int $organisation): ?User
    {
        /** @var Closure(): Builder<User> $of */
        $of = static fn (): Builder => User::query()->where('organisation_id', $organisation);

        return $of()->where('key', $person->id)->first() ??
            ($person->signIn === ''
                ? null
                : $of()->where('sign_in', $person->signIn)->first() ??
                    $of()->where('sign_in', null)->where('known_as', $person->signIn)->first());
    }

    private static function stranger(Person $person, int $organisation): User
    {
        $isFree = PersonKey::isOne($person->id) && User::query()->where('key', $person->id)->doesntExist();

        return User::query()->create([
            'organisation_id' => $organisation,
            'key' => $isFree ? $person->id : PersonKey::mint(),
            'known_as' => $person->signIn === '' ? null : $person->signIn,
            'name' => $person->name,
        ]);
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
