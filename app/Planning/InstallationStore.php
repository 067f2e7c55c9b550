<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Release;
use App\Models\StoredInstallation;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\Record;

/**
 * Database → Installation. Rows hold the file format's own shape, so that a
 * file, the demo and what is entered by hand pass through the same decoder.
 */
final class InstallationStore
{
    private const LISTS = [
        'location' => 'locations',
        'junction' => 'junctions',
        'way' => 'ways',
        'tail-panel' => 'panels',
        'loom' => 'looms',
        'reel' => 'reels',
        'instrument' => 'instruments',
        'circuit' => 'circuits',
        'equipment' => 'equipment',
        'fitting' => 'fittings',
    ];

    /** What can come and go while a release is worked from: stock and instruments, not the plan. */
    private const LIVE = ['reel', 'instrument'];

    /** As many queries for one run as for thousands. */
    public function load(StoredInstallation $stored): Loaded
    {
        return Uncollected::run(fn (): Loaded => $this->read($stored, $this->rows($stored), null));
    }

    /**
     * As it would be with these edits; nothing is saved.
     *
     * @param  list<Edit>  $edits
     */
    public function with(Loaded $loaded, array $edits, ?Catalogue $pins): Loaded
    {
        return Uncollected::run(
            fn (): Loaded => $this->read(
                $loaded->stored,
                $this->rows($loaded->stored, $edits, $pins),
                $loaded->record,
                $loaded->planner,
            ),
        );
    }

    /** What the shop works by: the release with today's stock, or where nothing is released, what is decided. */
    public function atWork(StoredInstallation $stored): Loaded
    {
        $document =
            $stored->release_id === null ? null : $stored->releases()->whereKey($stored->release_id)->value('document');

        return is_string($document)
            ? Uncollected::run(fn (): Loaded => $this->read($stored, $this->released($stored, $document), null))
            : $this->load($stored);
    }

    /** A release as it was, with what was recorded since. */
    public function at(StoredInstallation $stored, Release $release): Loaded
    {
        return Uncollected::run(function () use ($stored, $release): Loaded {
            /** @var array<int|string, mixed> $data */
            $data = json_decode($release->document, true, 512, JSON_THROW_ON_ERROR);

            return $this->read($stored, [$data, []], null);
        });
    }

    /** @return array{array<int|string, mixed>, array<int|string, int>} data of the file's shape; versions of runs */
    private function released(StoredInstallation $stored, string $document): array
    {
        /** @var array<int|string, mixed> $data */
        $data = json_decode($document, true, 512, JSON_THROW_ON_ERROR);
        foreach (self::LIVE as $kind) {
            $data[self::LISTS[$kind]] = [];
        }
        foreach (
            $stored
                ->parts()
                ->toBase()
                ->whereIn('kind', self::LIVE)
                ->get(['kind', 'definition']) as $part
        ) {
            $data[self::LISTS[$part->kind]][] = json_decode($part->definition, true);
        }

        return [['economy' => $stored->economy, 'workshop' => $stored->workshop] + $data, []];
    }

    /**
     * @param  list<Edit>  $edits
     * @return array{array<int|string, mixed>, array<int|string, int>} data of the file's shape; versions of runs
     */
    private function rows(StoredInstallation $stored, array $edits = [], ?Catalogue $pins = null): array
    {
        $whole = [
            'rules' => $stored->rules,
            'panel' => $stored->panel,
            'economy' => $stored->economy,
            'workshop' => $stored->workshop,
            'testing' => $stored->testing,
        ];
        $parts = $runs = [];
        foreach ($edits as $edit) {
            $after = $edit->after === null ? null : self::plain($edit->after);
            if (isset($whole[$edit->kind])) {
                $whole[$edit->kind] = $after ?? [];
            } elseif ($edit->kind === 'run') {
                $runs[$edit->key] = $after;
            } else {
                $parts[$edit->kind.' '.$edit->key] = $after;
            }
        }
        $data = [
            'installation' => ['id' => $stored->key, 'name' => $stored->name, 'rules' => $whole['rules']],
            'catalogue' => $pins === null ? $stored->catalogue : self::plain(Pinning::more($stored->catalogue, $pins)),
            ...$whole['panel'],
            ...array_fill_keys(array_values(self::LISTS), []),
            'economy' => $whole['economy'],
            'workshop' => $whole['workshop'],
            'testing' => $whole['testing'],
            'runs' => [],
        ];
        $own = [];
        $take = static function (string $kind, array $definition) use (&$data, &$own): void {
            if (isset(self::LISTS[$kind])) {
                $data[self::LISTS[$kind]][] = $definition;
            } else {
                $own[$kind][] = $definition;
            }
        };
        foreach (
            $stored
                ->parts()
                ->toBase()
                ->get(['kind', 'key', 'definition']) as $part
        ) {
            $edited = $part->kind.' '.$part->key;
            $definition = array_key_exists($edited, $parts) ? $parts[$edited] : json_decode($part->definition, true);
            unset($parts[$edited]);
            if ($definition !== null) {
                $take($part->kind, $definition);
            }
        }
        foreach (array_filter($parts, static fn (?array $added): bool => $added !== null) as $of => $added) {
            $take(explode(' ', (string) $of, 2)[0], $added);
        }
        $data['catalogue'] = TypeKinds::merged($data['catalogue'], $own);
        $versions = [];
        foreach (
            $stored
                ->runs()
                ->toBase()
                ->get(['key', 'version', 'definition']) as $run
        ) {
            $definition = array_key_exists($run->key, $runs) ? $runs[$run->key] : json_decode($run->definition, true);
            unset($runs[$run->key]);
            if ($definition !== null) {
                $data['runs'][] = $definition;
                $versions[$run->key] = (int) $run->version;
            }
        }
        foreach (array_filter($runs, static fn (?array $added): bool => $added !== null) as $key => $added) {
            $data['runs'][] = $added;
            $versions[$key] = 1;
        }

        return [$data, $versions];
    }

    /**
     * As the database would give it back.
     *
     * @param  array<int|string, mixed>  $shape
     * @return array<int|string, mixed>
     */
    private static function plain(array $shape): array
    {
        /** @var array<int|string, mixed> */
        return json_decode(json_encode($shape, JSON_THROW_ON_ERROR), true, 512, JSON_THROW_ON_ERROR);
    }

    /** @param  array{array<int|string, mixed>, array<int|string, int>}  $rows */
    private function read(StoredInstallation $stored, array $rows, ?Record $record, ?Planner $planner = null): Loaded
    {
        [$data, $versions] = $rows;
        $problems = new Problems();
        $read = FileDecoder::installation(Fields::of($data, '', $problems));
        // An installation's own types win over those it pinned, and those over shipped ones of the same id.
        $installation = $read->withCatalogue($read->catalogue->plus(ShippedCatalogue::load()));
        $record ??= $this->record($stored, $problems);
        $problems->settle();
        /** @var array<int|string, string> $people */
        $people = $stored->crew()->pluck('name', 'sign_in')->all();

        return new Loaded($stored, $installation, $read->catalogue, $record, $versions, $people, $planner);
    }

    private function record(StoredInstallation $stored, Problems $problems): Record
    {
        $events = [];
        foreach (
            $stored
                ->events()
                ->toBase()
                ->get(['uuid', 'definition']) as $event
        ) {
            $events[] = EventCodec::decode(
                Fields::of(json_decode($event->definition, true), 'record.'.$event->uuid, $problems),
            );
        }

        return new Record($events);
    }

    /** @return list<string> */
    public static function kinds(): array
    {
        return array_keys(self::LISTS);
    }

    public static function listOf(string $kind): string
    {
        return self::LISTS[$kind];
    }
}
