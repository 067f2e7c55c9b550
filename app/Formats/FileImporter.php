<?php

declare(strict_types=1);

namespace App\Formats;

use App\Models\Organisation;
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
use Sartal\Core\File\FileContents;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problem;
use Sartal\Core\File\RunCodec;
use Sartal\Core\File\StockCodec;
use Sartal\Core\File\TestingCodec;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
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
     * @param  ?callable(): void  $tell  now and then; what it throws ends it, and nothing of it is there
     *
     * @throws InvalidDocument naming everything that is wrong with it
     */
    public function import(
        FileContents $file,
        Organisation $for,
        bool $crew = true,
        ?callable $tell = null,
    ): StoredInstallation {
        $tell ??= static fn () => null;
        $tell();
        $installation = $file->installation();
        self::check($file, $for);

        return DB::transaction(function () use ($file, $installation, $for, $crew, $tell): StoredInstallation {
            $in = FileEncoder::installation($installation);
            $stored = StoredInstallation::query()->create([
                'organisation_id' => $for->id,
                'key' => $installation->id,
                'name' => $installation->name,
                'decisions' => (string) Str::ulid(),
                'rules' => FileEncoder::rules($installation->rules()),
                'catalogue' => CatalogueEncoder::catalogue(self::pinned($installation)),
                'economy' => StockCodec::encodeEconomy($installation->economy()),
                'workshop' => StockCodec::encodeWorkshop($installation->workshop()),
                'testing' => TestingCodec::encodeRules($installation->testing()),
                'panel' => array_intersect_key($in, array_flip(['matings', 'splices', 'links', 'switches'])),
            ]);
            $instruments = new Instruments($installation);
            foreach (DecisionKind::entries() as $kind) {
                /** @var list<array<int|string, mixed>> $entries */
                $entries = $in[$kind->list()] ?? [];
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
            foreach ($installation->runs() as $run) {
                $runs[] = [
                    'installation_id' => $stored->id,
                    'key' => $run->id,
                    'code' => $run->code,
                    'withdrawn' => $run->withdrawn,
                    'definition' => json_encode(RunCodec::encode($run)),
                ];
            }
            $this->insert(StoredRun::class, $runs);
            $tell();
            $people = new FilePeople($file->people(), $stored, $crew);
            $events = [];
            foreach ($file->events() as $event) {
                $named = array_map(static fn (string $id): string => $people->of($id)->key, $event->asks());
                $events[] = self::row($event->asking($named), $stored, $people->of($event->by), $instruments);
                if (count($events) === self::CHUNK) {
                    StoredEvent::query()->insert($events);
                    $events = [];
                    $tell();
                }
            }
            $this->insert(StoredEvent::class, $events);

            return $stored;
        });
    }

    /** What the file pins, and whatever else it uses of the shipped types. */
    private static function pinned(Installation $installation): Catalogue
    {
        $own = FormerConversion::of($installation->catalogue, ShippedCatalogue::load());
        $merged = $installation->withCatalogue($own->plus(ShippedCatalogue::load()));

        return $own->plus(UsedTypes::in($merged));
    }

    /** @throws InvalidDocument */
    private static function check(FileContents $file, Organisation $for): void
    {
        $installation = $file->installation();
        $problems = [];
        if ($for->installations()->where('key', $installation->id)->exists()) {
            $problems[] = new Problem(
                'installation.id',
                $installation->id,
                'is already here. Give the file another id to bring it in beside that one.',
            );
        }
        $codes = [];
        foreach (array_values($installation->runs()) as $i => $run) {
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
        foreach ($file->people() as $i => $person) {
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

    /** @return array<int|string, mixed> */
    private static function row(Event $event, StoredInstallation $stored, User $by, Instruments $instruments): array
    {
        return [
            'uuid' => $event->id,
            'installation_id' => $stored->id,
            'run' => $event->run,
            'kind' => $event->kind->value,
            'step' => $event->step,
            'user_id' => $by->id,
            'definition' => json_encode(
                ['by' => $by->key] +
                    EventCodec::encode(
                        $event->with === [] ? $event->measuredWith($instruments->ids($event->instrument)) : $event,
                    ),
            ),
            'created_at' => now(),
        ];
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
