<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\PortRef;

/**
 * Everything that has a name, and where it is looked at.
 *
 * @phpstan-type Thing array{kind: string, name: string, about: string, path: string}
 */
final class Named
{
    /** @return iterable<Thing> of an installation, as it is decided */
    public static function in(Installation $in): iterable
    {
        $at = self::plugged($in);
        foreach ($in->runs() as $run) {
            $about = sprintf(
                '%s → %s, %s%s',
                $in->locationName($run->a->location),
                $in->locationName($run->b->location),
                $in->catalogue->cables()[$run->cable]->name ?? $run->cable,
                $run->withdrawn ? ', withdrawn' : '',
            );
            yield [
                'kind' => 'run',
                'name' => $run->code,
                'about' => $about,
                'path' => '/runs/'.rawurlencode($run->id),
            ];
            // A label at an end carries the code and which end it is.
            foreach (['A', 'B'] as $side) {
                yield [
                    'kind' => 'end',
                    'name' => $run->code.' '.$side,
                    'about' => 'sheet for the vice',
                    'path' => '/runs/'.rawurlencode($run->id).'/sheet/'.$side,
                ];
            }
        }
        foreach ($in->locations() as $location) {
            yield [
                'kind' => 'place',
                'name' => $location->name,
                'about' => 'its runs',
                'path' => '/schedule?find='.rawurlencode('"'.$location->name.'"'),
            ];
        }
        foreach ($in->looms() as $loom) {
            yield [
                'kind' => 'loom',
                'name' => $loom->name,
                'about' => 'its runs',
                'path' => '/schedule?find='.rawurlencode('loom:"'.$loom->name.'"'),
            ];
        }
        foreach ($in->equipment() as $device) {
            foreach ($device->ports as $port) {
                yield [
                    'kind' => 'port',
                    'name' => $device->name.' '.$port->name,
                    'about' => $in->locationName($device->location),
                    'path' => self::at($at[(new PortRef($device->id, $port->id))->text()] ?? null),
                ];
            }
        }
        foreach ($in->circuits() as $circuit) {
            yield [
                'kind' => 'circuit',
                'name' => $circuit->name,
                'about' => 'its way, connector by connector',
                'path' => '/handover/service?circuit='.rawurlencode($circuit->id),
            ];
        }
        foreach ($in->catalogue->plans() as $plan) {
            yield [
                'kind' => 'contact plan',
                'name' => $plan->name,
                'about' => $in->catalogue->connectors()[$plan->connector]->name ?? $plan->connector,
                'path' => '/rules/plans/'.rawurlencode($plan->id),
            ];
        }
        foreach (
            ['cable' => $in->catalogue->cables(), 'connector' => $in->catalogue->connectors()] as $kind => $types
        ) {
            foreach ($types as $type) {
                yield [
                    'kind' => $kind.' type',
                    'name' => $type->name,
                    'about' => $type->id,
                    'path' => sprintf('/rules/catalogue?kind=%s&id=%s', $kind, rawurlencode($type->id)),
                ];
            }
        }
    }

    /**
     * @param  array<array-key, string>  $names
     * @return iterable<Thing>
     */
    public static function people(array $names): iterable
    {
        foreach (array_unique($names) as $name) {
            yield [
                'kind' => 'person',
                'name' => $name,
                'about' => 'what this person did',
                'path' => '/schedule?find='.rawurlencode(sprintf('by:"%s"', $name)),
            ];
        }
    }

    /** The run that is plugged in there, or the schedule where none is. */
    private static function at(?string $run): string
    {
        return $run === null ? '/schedule' : '/runs/'.rawurlencode($run);
    }

    /** @return array<int|string, string> port → the run that is plugged in there */
    private static function plugged(Installation $in): array
    {
        $runs = [];
        foreach ($in->runs() as $run) {
            foreach ($run->fittings() as $fitting) {
                $runs[$fitting] ??= $run->id;
            }
        }
        $at = [];
        foreach ($in->matings() as $mating) {
            if (isset($runs[$mating->fitting])) {
                $at[$mating->with] ??= $runs[$mating->fitting];
            }
        }

        return $at;
    }
}
