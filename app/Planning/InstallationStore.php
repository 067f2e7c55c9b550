<?php

declare(strict_types=1);

namespace App\Planning;

use App\Formats\ShippedCatalogue;
use App\Models\StoredInstallation;
use Sartal\Core\Document\EventCodec;
use Sartal\Core\Document\Fields;
use Sartal\Core\Document\FileDecoder;
use Sartal\Core\Document\Problems;
use Sartal\Core\Record\Record;

/**
 * Database → Installation. Rows hold the file format's own shape, so that a
 * file, the demo and what is entered by hand pass through the same decoder.
 */
final class InstallationStore
{
    private const LISTS = [
        'location' => 'locations', 'junction' => 'junctions', 'way' => 'ways', 'tail-panel' => 'panels', 'loom' => 'looms', 'reel' => 'reels', 'instrument' => 'instruments',
        'circuit' => 'circuits', 'equipment' => 'equipment', 'fitting' => 'fittings',
    ];

    /** As many queries for one run as for thousands. */
    public function load(StoredInstallation $stored): Loaded
    {
        return Uncollected::run(fn (): Loaded => $this->read($stored));
    }

    private function read(StoredInstallation $stored): Loaded
    {
        $data = [
            'installation' => ['id' => $stored->key, 'name' => $stored->name, 'rules' => $stored->rules],
            'catalogue' => $stored->catalogue,
            ...$stored->panel,
            ...array_fill_keys(array_values(self::LISTS), []),
            'economy' => $stored->economy,
            'workshop' => $stored->workshop,
            'testing' => $stored->testing,
            'runs' => [],
        ];
        $own = [];
        foreach ($stored->parts()->toBase()->get(['kind', 'definition']) as $part) {
            $definition = json_decode($part->definition, true);
            if (isset(self::LISTS[$part->kind])) {
                $data[self::LISTS[$part->kind]][] = $definition;
            } else {
                $own[$part->kind][] = $definition;
            }
        }
        $data['catalogue'] = TypeKinds::merged($data['catalogue'], $own);
        $versions = [];
        foreach ($stored->runs()->toBase()->get(['key', 'version', 'definition']) as $run) {
            $data['runs'][] = json_decode($run->definition, true);
            $versions[$run->key] = (int) $run->version;
        }
        $problems = new Problems;
        $read = FileDecoder::installation(Fields::of($data, '', $problems));
        // An installation's own types win over those it pinned, and those over shipped ones of the same id.
        $installation = $read->withCatalogue($read->catalogue->plus(ShippedCatalogue::load()));
        $record = $this->record($stored, $problems);
        $problems->settle();

        /** @var array<string, string> $people */
        $people = $stored->crew()->pluck('name', 'sign_in')->all();

        return new Loaded($stored, $installation, $read->catalogue, $record, $versions, $people);
    }

    private function record(StoredInstallation $stored, Problems $problems): Record
    {
        $events = [];
        foreach ($stored->events()->toBase()->get(['uuid', 'definition']) as $event) {
            $events[] = EventCodec::decode(Fields::of(json_decode($event->definition, true), 'record.'.$event->uuid, $problems));
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
