<?php

declare(strict_types=1);

namespace Sartal\Core\Document;

use Sartal\Core\Catalogue\FireClass;
use Sartal\Core\Installation\Circuit;
use Sartal\Core\Installation\Equipment;
use Sartal\Core\Installation\Fitting;
use Sartal\Core\Installation\HouseRules;
use Sartal\Core\Installation\Installation;
use Sartal\Core\Installation\Link;
use Sartal\Core\Installation\Location;
use Sartal\Core\Installation\Loom;
use Sartal\Core\Installation\Mating;
use Sartal\Core\Installation\PanelSwitch;
use Sartal\Core\Installation\Port;
use Sartal\Core\Installation\PortDirection;
use Sartal\Core\Installation\Topology;
use Sartal\Core\Installation\Way;

/** A whole installation file into its JSON shape, in one canonical spelling. */
final class FileEncoder
{
    /** @return array<string, mixed> */
    public static function file(InstallationFile $file): array
    {
        return [
            'format' => InstallationFile::FORMAT,
            'version' => InstallationFile::VERSION,
            ...self::installation($file->installation),
            'people' => array_map(static fn (Person $person): array => ['signIn' => $person->signIn, 'name' => $person->name, 'roles' => $person->roles], $file->people),
            'record' => array_map(EventCodec::encode(...), $file->record->events),
        ];
    }

    /** @return array<string, mixed> */
    public static function installation(Installation $in): array
    {
        return [
            'installation' => ['id' => $in->id, 'name' => $in->name, 'rules' => self::rules($in->rules)],
            'catalogue' => CatalogueEncoder::catalogue($in->catalogue),
            'locations' => array_map(self::location(...), array_values($in->locations)),
            'ways' => array_map(self::way(...), array_values($in->ways)),
            'looms' => array_map(self::loom(...), array_values($in->looms)),
            'circuits' => array_map(self::circuit(...), array_values($in->circuits)),
            'equipment' => array_map(self::equipment(...), array_values($in->equipment)),
            'fittings' => array_map(self::fitting(...), array_values($in->fittings)),
            'matings' => array_map(self::mating(...), $in->matings),
            'splices' => $in->splices,
            'links' => array_map(self::link(...), $in->links),
            'switches' => array_map(self::switch(...), array_values($in->switches)),
            'runs' => array_map(RunCodec::encode(...), array_values($in->runs)),
        ];
    }

    /** @return array<string, mixed> */
    public static function rules(HouseRules $rules): array
    {
        return [
            'routeAllowance' => $rules->routeAllowance,
            'cutStep' => $rules->cutStep->canonical(),
            'trimAllowance' => $rules->trimAllowance->canonical(),
            ...self::schools($rules),
        ];
    }

    /** @return array<string, mixed> key of each school → what the house chose */
    private static function schools(HouseRules $rules): array
    {
        $chosen = [];
        foreach (HouseRules::SCHOOLS as $school) {
            $chosen[$school::key()] = $rules->on($school)->value;
        }

        return $chosen;
    }

    /** @return array<string, mixed> */
    public static function location(Location $location): array
    {
        return ['id' => $location->id, 'name' => $location->name] + ($location->fire === FireClass::Unrated ? [] : ['fire' => $location->fire->value]);
    }

    /** @return array<string, mixed> */
    public static function way(Way $way): array
    {
        return ['id' => $way->id, 'name' => $way->name, 'kind' => $way->kind, 'length' => $way->length->canonical()];
    }

    /** @return array<string, mixed> */
    public static function loom(Loom $loom): array
    {
        return ['id' => $loom->id, 'name' => $loom->name];
    }

    /** @return array<string, mixed> */
    public static function circuit(Circuit $circuit): array
    {
        return ['id' => $circuit->id, 'name' => $circuit->name, 'signal' => $circuit->signal]
            + CatalogueEncoder::brief([
                'topology' => $circuit->topology === Topology::PointToPoint ? null : $circuit->topology->value,
                'from' => $circuit->from, 'phantom' => $circuit->phantom, 'terminator' => $circuit->terminator,
            ]);
    }

    /** @return array<string, mixed> */
    public static function equipment(Equipment $equipment): array
    {
        return [
            'id' => $equipment->id,
            'name' => $equipment->name,
            'location' => $equipment->location,
            'ports' => array_map(static fn (Port $port): array => CatalogueEncoder::brief([
                'id' => $port->id, 'name' => $port->name, 'connector' => $port->connector, 'plan' => $port->plan,
                'direction' => $port->direction === PortDirection::Both ? null : $port->direction->value,
                'signal' => $port->signal, 'level' => $port->level->value, 'phantom' => $port->phantom ?: null, 'terminates' => $port->terminates ?: null,
            ]), $equipment->ports),
        ];
    }

    /** @return array<string, mixed> */
    public static function fitting(Fitting $fitting): array
    {
        return CatalogueEncoder::brief([
            'id' => $fitting->id,
            'label' => $fitting->label,
            'connector' => $fitting->connector,
            'location' => $fitting->location,
            'inserts' => $fitting->inserts === [] ? null : (object) $fitting->inserts,
            'shared' => $fitting->shared,
            'exit' => $fitting->exit,
            'clocking' => $fitting->clocking,
            'parts' => $fitting->parts,
        ]);
    }

    /** @return array<string, mixed> */
    public static function mating(Mating $mating): array
    {
        return ['fitting' => $mating->fitting, 'with' => $mating->with];
    }

    /** @return array<string, mixed> */
    public static function link(Link $link): array
    {
        return CatalogueEncoder::brief(['from' => $link->from, 'to' => $link->to, 'note' => $link->note]);
    }

    /** @return array<string, mixed> */
    public static function switch(PanelSwitch $switch): array
    {
        return ['id' => $switch->id, 'name' => $switch->name, 'from' => $switch->from, 'to' => $switch->to, 'closedAtRest' => $switch->closedAtRest];
    }
}
