<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Contract\Answer;
use App\Planning\Loaded;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;

/**
 * What a planner can choose from in this installation.
 *
 * @phpstan-type CatalogueShown array{
 *     cables: list<array{
 *         id: string,
 *         name: string,
 *         family: string,
 *         prefix: string,
 *         outerDiameter: string,
 *     }>,
 *     signals: list<array{id: string, name: string, functions: list<string>}>,
 *     plans: list<array{
 *         id: string,
 *         name: string,
 *         channels: int,
 *         connector: string,
 *         functions: list<string>,
 *     }>,
 *     locations: list<array{id: string, name: string}>,
 *     ways: list<array{id: string, name: string, kind: value-of<WayKind>, length: string}>,
 *     looms: list<array{id: string, name: string}>,
 *     sleeves: list<array{id: string, name: string}>,
 * }
 */
final class CatalogueController
{
    /**
     * @return Answer<CatalogueShown>
     */
    public function show(Loaded $loaded): Answer
    {
        $in = $loaded->installation;
        $named = static fn (Location|Loom $thing): array => ['id' => $thing->id, 'name' => $thing->name];

        return new Answer([
            'cables' => array_values(
                array_map(
                    static fn (CableType $cable): array => [
                        'id' => $cable->id,
                        'name' => $cable->name,
                        'family' => $cable->family,
                        'prefix' => $cable->prefix,
                        'outerDiameter' => $cable->outerDiameter->canonical(),
                    ],
                    array_filter($in->catalogue->cables(), static fn (CableType $cable): bool => ! $cable->retired),
                ),
            ),
            'signals' => array_values(
                array_map(
                    static fn (SignalType $signal): array => [
                        'id' => $signal->id,
                        'name' => $signal->name,
                        'functions' => array_map(
                            static fn (SignalFunction $function): string => $function->name,
                            array_values(
                                array_filter(
                                    $signal->functions,
                                    static fn (SignalFunction $function): bool => $function->required,
                                ),
                            ),
                        ),
                    ],
                    $in->catalogue->signals(),
                ),
            ),
            'plans' => array_values(
                array_map(
                    static fn (ContactPlan $plan): array => [
                        'id' => $plan->id,
                        'name' => $plan->name,
                        'channels' => count($plan->channels),
                        'connector' => $in->catalogue->connectors()[$plan->connector]->name ?? $plan->connector,
                        'functions' => array_map(
                            strval(...),
                            array_keys($plan->channels[array_key_first($plan->channels) ?? ''] ?? []),
                        ),
                    ],
                    array_filter($in->catalogue->plans(), static fn (ContactPlan $plan): bool => ! $plan->retired),
                ),
            ),
            'locations' => array_values(array_map($named, $in->locations())),
            'ways' => array_values(
                array_map(
                    static fn (Way $way): array => [
                        'id' => $way->id,
                        'name' => $way->name,
                        'kind' => $way->kind->value,
                        'length' => $way->length->canonical(),
                    ],
                    $in->ways(),
                ),
            ),
            'looms' => array_values(array_map($named, $in->looms())),
            'sleeves' => array_values(array_map(
                static fn (Part $part): array => ['id' => $part->id, 'name' => $part->name],
                array_filter(
                    $in->catalogue->parts(),
                    static fn (Part $part): bool => $part->kind === PartKind::Sleeve,
                ),
            )),
        ]);
    }
}
