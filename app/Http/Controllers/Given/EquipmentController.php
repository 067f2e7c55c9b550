<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Refusal;
use App\Formats\BadLine;
use App\Http\Requests\Given\DeviceChange;
use App\Http\Requests\Given\OnVersion;
use App\Http\Requests\Given\Plugging;
use App\Http\Resources\Given\EquipmentResource;
use App\Planning\Edit;
use App\Planning\Loaded;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\PortRef;

/**
 * Devices, racks and panels with their ports, and what is plugged into them.
 *
 * @phpstan-import-type Device from EquipmentResource
 */
final readonly class EquipmentController
{
    public function __construct(private ChangeLog $log)
    {
    }

    /** @return Answer<array{equipment: list<Device>}> */
    public function index(Loaded $loaded): Answer
    {
        return new Answer(['equipment' => EquipmentResource::all($loaded)]);
    }

    /** @return Answer<array{saved: true}> */
    public function save(#[Body(DeviceChange::class)] DeviceChange $sent, Loaded $loaded, Author $author): Answer
    {
        $problems = new Problems();
        $fields = Fields::from($sent->device, '', $problems);
        $device = FileDecoder::equipment($fields);
        $fields->done();
        $problems->settle();
        self::sound($device, $loaded);
        $version = $sent->version;
        if (isset($loaded->installation->equipment()[$device->id]) && $version === null) {
            throw BadLine::because('id', $device->id, 'There is such a device already. Choose another name.');
        }

        return $this->write(
            $loaded,
            $author,
            sprintf('Device %s %s', $device->name, $version === null ? 'added' : 'changed'),
            new Edit(DecisionKind::Equipment, $device->id, FileEncoder::equipment($device), $version),
        );
    }

    /** @return Answer<array{saved: true}> */
    public function remove(
        #[Body(OnVersion::class)] OnVersion $sent,
        Loaded $loaded,
        Author $author,
        string $id,
    ): Answer {
        $device = $loaded->installation->equipment()[$id] ?? abort(404, 'There is no such device here.');
        foreach ($loaded->installation->matings() as $mating) {
            if (PortRef::from($mating->with)->device === $id) {
                throw BadLine::because('id', $device->name, 'Something is plugged into it. Unplug that first.');
            }
        }

        return $this->write(
            $loaded,
            $author,
            sprintf('Device %s removed', $device->name),
            Edit::without(DecisionKind::Equipment, $id, $sent->version ?? 0),
        );
    }

    private static function plugged(Loaded $loaded, string $port): ?string
    {
        foreach ($loaded->installation->matings() as $mating) {
            if ($mating->with === $port) {
                return $mating->fitting;
            }
        }

        return null;
    }

    /**
     * Plugs a fitting into a port, or leaves the port free; "was" is what whoever says so saw there.
     *
     * @return Answer<array{saved: true}>
     */
    public function plug(#[Body(Plugging::class)] Plugging $sent, Loaded $loaded, Author $author): Answer
    {
        [$port, $fitting] = [$sent->port, $sent->fitting];
        if ($loaded->installation->port($port) === null) {
            throw BadLine::because('port', $port, 'There is no such port. Load the page again.');
        }
        if ($fitting !== null && ! isset($loaded->installation->fittings()[$fitting])) {
            throw BadLine::because('fitting', $fitting, 'There is no such fitting. Load the page again.');
        }
        $there = self::plugged($loaded, $port);
        if ($sent->was !== $there) {
            throw Refusal::late(
                $there === null
                    ? 'Somebody else has left this port free meanwhile.'
                    : sprintf(
                        'Somebody else has plugged %s in here meanwhile.',
                        $loaded->installation->fittings()[$there]->label ?? $there,
                    ),
                ['fitting' => $fitting],
                ['fitting' => $there],
            );
        }
        $matings = array_values(
            array_filter(
                $loaded->installation->matings(),
                static fn (Mating $mating): bool => $mating->with !== $port && $mating->fitting !== $fitting,
            ),
        );
        if ($fitting !== null) {
            $matings[] = new Mating($fitting, $port);
        }
        $panel = [...$loaded->stored->panel, 'matings' => array_map(FileEncoder::mating(...), $matings)];
        $words =
            $fitting !== null
                ? sprintf('%s plugged into %s', $loaded->installation->fittings()[$fitting]->label, $port)
                : sprintf('%s left free', $port);

        return $this->write(
            $loaded,
            $author,
            $words,
            new Edit(DecisionKind::Connections, $loaded->stored->key, $panel),
        );
    }

    private static function sound(Equipment $device, Loaded $loaded): void
    {
        if (! isset($loaded->installation->locations()[$device->location])) {
            throw BadLine::because(
                'location',
                $device->location,
                'There is no such place. Choose one, or add it under Building.',
            );
        }
        $names = [];
        foreach ($device->ports as $i => $port) {
            if (! isset($loaded->installation->catalogue->connectors()[$port->connector])) {
                throw BadLine::because(
                    'ports',
                    $port->connector,
                    sprintf('Port %d has a connector that the catalogue does not hold. Choose one from it.', $i + 1),
                );
            }
            if (str_contains($port->id, ':') || isset($names[$port->id])) {
                throw BadLine::because('ports', $port->id, 'Each port needs an id of its own, without a colon.');
            }
            $names[$port->id] = true;
        }
        foreach ($loaded->installation->matings() as $mating) {
            $at = PortRef::from($mating->with);
            if ($at->device === $device->id && ! isset($names[$at->port])) {
                throw BadLine::because('ports', $at->port, 'Something is plugged into this port. Unplug that first.');
            }
        }
    }

    /** @return Answer<array{saved: true}> */
    private function write(Loaded $loaded, Author $author, string $words, Edit $edit): Answer
    {
        $this->log->write(Decision::on($loaded, $author, $words, [$edit]));

        return new Answer(['saved' => true]);
    }
}
