<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Contract\Map;
use App\Http\Resources\Given\ConnectorResource;
use App\Http\Resources\Given\ContactPairResource;
use App\Planning\Loaded;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Catalogue\Bay;
use Sartal\Core\Given\Catalogue\Coloured;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\PortRef;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Plan\Joining\Facing;

/**
 * The connectors of an assembly, with what comes to them and what they mate with.
 *
 * @phpstan-import-type Drawing from ConnectorResource
 * @phpstan-import-type ContactPairShown from ContactPairResource
 *
 * @phpstan-type AssemblyFitting array{
 *     id: string,
 *     label: string,
 *     version: int,
 *     place: string,
 *     connector: string,
 *     mate: string,
 *     drawing: Drawing|null,
 *     plans: list<array{id: string, name: string, channels: list<string>}>,
 *     bays: list<array{name: string, insert: string, choices: list<array{id: string, name: string}>}>,
 *     shared: list<string>,
 *     boot: string,
 *     boots: list<string>,
 *     comes: Map<list<string>>,
 *     facing: FacingShown|null,
 * }
 * @phpstan-type FacingShown array{
 *     with: string,
 *     drawing: Drawing|null,
 *     pairs: list<ContactPairShown>,
 *     print: string,
 *     checked: array{who: string, at: string, holds: bool}|null,
 * }
 */
final class AssemblyFittingResource
{
    /**
     * @param  list<Joint>  $joints
     * @return list<AssemblyFitting>
     */
    public static function fittings(Assembly $assembly, array $joints, Loaded $loaded): array
    {
        $in = $loaded->installation;
        $comes = [];
        foreach ($joints as $joint) {
            $run = $in->theRun($joint->run);
            $cable = $in->catalogue->cable($run->cable);
            $comes[Node::fitting($joint->to) ?? ''][$joint->address()][] = trim(sprintf(
                '%s %s %s',
                $run->code,
                $cable === null ? $joint->conductor : AssemblyRunResource::label($joint->conductor, $cable),
                $joint->function,
            ));
        }
        $runs = Facing::runs($in);
        $fittings = [];
        $versions = $loaded->sharedVersions(DecisionKind::Fitting, $assembly->fittings);
        foreach ($assembly->fittings as $id) {
            $fitting = $in->fitting($id);
            if ($fitting === null) {
                continue;
            }
            $type = $in->catalogue->connector($fitting->connector);
            $fittings[] = [
                'id' => $id,
                'label' => $fitting->label,
                'version' => $versions[$id] ?? 1,
                'place' => $in->locationName($fitting->location),
                'connector' => $type->name ?? $fitting->connector,
                'mate' => self::mate($id, $in),
                'drawing' => ConnectorResource::of($fitting, $in->catalogue),
                'plans' => self::plans($fitting, $in),
                'bays' => $type === null ? [] : self::bays($fitting, $type, $in),
                'shared' => $fitting->shared,
                'boot' => self::boot($fitting, $in)->colour ?? '',
                'boots' => self::boots($fitting, $in),
                'comes' => new Map($comes[$id] ?? []),
                'facing' => self::facing($id, $in, $runs),
            ];
        }

        return $fittings;
    }

    /**
     * @param  array<int|string, list<Run>>  $runs  by fitting that they come to
     * @return ?FacingShown
     */
    private static function facing(string $fitting, Installation $in, array $runs): ?array
    {
        $facing = Facing::of($in, $fitting, $runs);
        if ($facing === null) {
            return null;
        }
        $check = $in->checked()[$fitting] ?? null;

        return [
            'with' => $facing->with,
            'drawing' => ConnectorResource::of(new Fitting('', '', $facing->connector, ''), $in->catalogue),
            'pairs' => array_map(
                ContactPairResource::of(...),
                $facing->pairs,
            ),
            'print' => $facing->print(),
            'checked' => $check === null
                ? null
                : ['who' => $check->by, 'at' => $check->at, 'holds' => $check->print === $facing->print()],
        ];
    }

    /** The one that it gets; null where its connector gets none. */
    private static function boot(Fitting $fitting, Installation $in): ?Part
    {
        foreach ($fitting->parts as $id) {
            $part = $in->catalogue->part($id);
            if ($part?->kind === PartKind::Boot) {
                return $part;
            }
        }
        $type = $in->catalogue->connector($fitting->connector);

        return $type === null ? null : Coloured::boot($type, $in->catalogue);
    }

    /** @return list<string> colours that there are of it */
    private static function boots(Fitting $fitting, Installation $in): array
    {
        $boot = self::boot($fitting, $in);

        return $boot === null ? [] : Names::from(Coloured::like($boot, $in->catalogue));
    }

    /** @return list<array{id: string, name: string, channels: list<string>}> */
    private static function plans(Fitting $fitting, Installation $in): array
    {
        $plans = array_filter(
            $in->catalogue->plans(),
            static fn (ContactPlan $plan): bool => $plan->connector === $fitting->connector && ! $plan->retired,
        );

        return array_map(
            static fn (ContactPlan $plan): array => [
                'id' => $plan->id,
                'name' => $plan->name,
                'channels' => Names::from($in->plan($plan->id)->channels ?? []),
            ],
            array_values($plans),
        );
    }

    /** @return list<array{name: string, insert: string, choices: list<array{id: string, name: string}>}> */
    private static function bays(Fitting $fitting, ConnectorType $type, Installation $in): array
    {
        return array_map(
            static fn (Bay $bay): array => [
                'name' => $bay->name,
                'insert' => $fitting->inserts[$bay->name] ?? '',
                'choices' => array_map(
                    static fn (ConnectorType $each): array => ['id' => $each->id, 'name' => $each->name],
                    array_values(array_filter(
                        $in->catalogue->connectors(),
                        static fn (ConnectorType $each): bool => $each->family === $bay->accepts && ! $each->retired,
                    )),
                ),
            ],
            $type->bays,
        );
    }

    private static function mate(string $fitting, Installation $in): string
    {
        foreach ($in->matings() as $mating) {
            if ($mating->fitting === $fitting || $mating->with === $fitting) {
                $other = $mating->fitting === $fitting ? $mating->with : $mating->fitting;
                $at = PortRef::from($other);
                $port = $in->port($other);

                return $port !== null
                    ? sprintf('%s, %s', $in->device($at->device)->name ?? $at->device, $port->name)
                    : $in->fitting($other)->label ?? $other;
            }
        }

        return '';
    }
}
