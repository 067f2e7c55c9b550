<?php

declare(strict_types=1);

namespace App\Http\Resources\Given;

use App\Planning\Loaded;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Level;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\PortDirection;
use Sartal\Core\Given\Installation\PortRef;

/**
 * Devices with their ports: what each is, what is plugged in, what could be.
 *
 * @phpstan-import-type FindingShown from PlanEncoder
 *
 * @phpstan-type Device array{
 *     id: string,
 *     name: string,
 *     location: string,
 *     place: string,
 *     version: int,
 *     ports: list<DevicePort>,
 *     findings: list<FindingShown>,
 * }
 * @phpstan-type DevicePort array{
 *     id: string,
 *     name: string,
 *     connector: string,
 *     connectorName: string,
 *     plan: string|null,
 *     direction: value-of<PortDirection>,
 *     signal: string,
 *     level: value-of<Level>,
 *     phantom: bool,
 *     terminates: bool,
 *     plugged: string|null,
 *     pluggedName: string,
 *     fits: list<array{id: string, name: string, here: bool}>,
 * }
 */
final class EquipmentResource
{
    /** @return list<Device> */
    public static function all(Loaded $loaded): array
    {
        $in = $loaded->installation;
        $runs = self::runsByFitting($loaded);
        $plugged = [];
        foreach ($in->matings() as $mating) {
            $plugged[$mating->with] = $mating->fitting;
        }
        $versions = $loaded->stored->entries()->where('kind', 'equipment')->pluck('version', 'key');

        return array_values(
            array_map(
                static fn (Equipment $device): array => [
                    'id' => $device->id,
                    'name' => $device->name,
                    'location' => $device->location,
                    'place' => $in->locationName($device->location),
                    'version' => $versions[$device->id] ?? 1,
                    'ports' => array_map(
                        static fn (Port $port): array => self::port(
                            $device,
                            $port,
                            $plugged[(new PortRef($device->id, $port->id))->text()] ?? null,
                            $runs,
                            $loaded,
                        ),
                        $device->ports,
                    ),
                    'findings' => array_map(
                        PlanEncoder::finding(...),
                        $loaded->plan()->judgedOn(Subject::equipment($device->id)),
                    ),
                ],
                $in->equipment(),
            ),
        );
    }

    /**
     * @param  array<int|string, list<string>>  $runs
     * @return DevicePort
     */
    private static function port(Equipment $device, Port $port, ?string $fitting, array $runs, Loaded $loaded): array
    {
        $in = $loaded->installation;
        $type = $in->catalogue->connectors()[$port->connector] ?? null;
        $fit = [];
        foreach ($in->fittings() as $other) {
            $own = $in->catalogue->connectors()[$other->connector] ?? null;
            if (
                $type !== null &&
                $own !== null &&
                isset($runs[$other->id]) &&
                ($own->matesWith($type) ?? $type->matesWith($own)) !== null
            ) {
                $fit[] = [
                    'id' => $other->id,
                    'name' => self::name($other, $runs),
                    'here' => $other->location === $device->location,
                ];
            }
        }
        usort($fit, static fn (array $a, array $b): int => [$b['here'], $a['name']] <=> [$a['here'], $b['name']]);

        return [
            'id' => $port->id,
            'name' => $port->name,
            'connector' => $port->connector,
            'connectorName' => $type->name ?? $port->connector,
            'plan' => $port->plan,
            'direction' => $port->direction->value,
            'signal' => $port->signal,
            'level' => $port->level->value,
            'phantom' => $port->phantom,
            'terminates' => $port->terminates,
            'plugged' => $fitting,
            'pluggedName' => $fitting === null
                    ? ''
                    : self::name($in->fittings()[$fitting] ?? new Fitting($fitting, $fitting, '', ''), $runs),
            'fits' => $fit,
        ];
    }

    /** @param  array<int|string, list<string>>  $runs */
    private static function name(Fitting $fitting, array $runs): string
    {
        return $fitting->label.(isset($runs[$fitting->id]) ? ' · '.implode(', ', $runs[$fitting->id]) : '');
    }

    /** @return array<int|string, list<string>> fitting → codes of the runs that end in it */
    private static function runsByFitting(Loaded $loaded): array
    {
        $runs = [];
        foreach ($loaded->installation->runs() as $run) {
            foreach ($run->withdrawn ? [] : $run->fittings() as $fitting) {
                $runs[$fitting][] = $run->code;
            }
        }

        return $runs;
    }
}
