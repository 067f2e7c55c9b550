<?php

declare(strict_types=1);

namespace App\Formats\Import;

use App\Formats\BadLine;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\PortDirection;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Importing\Meanings;
use Sartal\Core\Plan\Importing\PortFor;

/**
 * Devices that a spreadsheet names and that are not there yet: each with the ports that its rows name, of a connector
 * that mates with what is plugged in.
 */
final class MadeDevices
{
    /** @var array<int|string, Equipment> */
    public array $all = [];

    /** @param  array<int|string, string>  $names  id → name, of those that are to be made */
    public function __construct(private readonly Catalogue $catalogue, private readonly array $names)
    {
    }

    /**
     * The device, standing where a run says that it ends.
     *
     * @throws BadLine where rows disagree about where it stands
     */
    public function at(string $field, string $id, string $location): ?Equipment
    {
        $name = $this->names[$id] ?? null;
        if ($name === null) {
            return null;
        }
        $device = $this->all[$id] ??= new Equipment($id, $name, $location, []);
        if ($device->location !== $location) {
            throw BadLine::because(
                $field,
                $name,
                'Another row has this device at another place. A device stands at one: call the second otherwise.',
            );
        }

        return $device;
    }

    /**
     * @param  string  $connector  type of what is plugged in there
     * @param  string  $signal  type that it carries; "" where it carries several
     *
     * @throws BadLine where nothing mates with it
     */
    public function port(
        string $field,
        Equipment $device,
        string $said,
        string $connector,
        string $signal,
        PortDirection $direction,
    ): Port {
        foreach ($device->ports as $port) {
            if (Meanings::plain($port->name) === Meanings::plain($said)) {
                return $port;
            }
        }
        $facing = PortFor::a($connector, $this->catalogue);
        if ($facing === null) {
            throw BadLine::because(
                $field,
                $said,
                'Nothing is known that mates with the connector of this end. Leave the port out.',
            );
        }
        $id = Names::free($said, array_column($device->ports, null, 'id'), 'port');
        $port = new Port($id, $said, $facing->id, direction: $direction, signal: $signal);
        $this->all[$device->id] = new Equipment(
            $device->id,
            $device->name,
            $device->location,
            [...$device->ports, $port],
        );

        return $port;
    }
}
