<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Demand;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\PortDirection;
use Sartal\Core\Given\Installation\TestChoices;
use Sartal\Core\Given\Installation\Topology;

/** A whole installation file into its JSON shape, in one canonical spelling. */
final class FileEncoder
{
    /** @return array<int|string, mixed> */
    public static function file(InstallationFile $file): array
    {
        return [
            'format' => InstallationFile::FORMAT,
            'version' => InstallationFile::VERSION,
            ...self::installation($file->installation),
            'people' => array_map(
                static fn (Person $person): array => CatalogueEncoder::brief([
                    'id' => $person->id === $person->signIn ? '' : $person->id,
                    'signIn' => $person->signIn,
                    'name' => $person->name,
                    'roles' => $person->roles,
                    'skills' => $person->skills,
                ]),
                $file->people,
            ),
            'record' => array_map(EventCodec::encode(...), $file->record->events()),
        ];
    }

    /** @return array<int|string, mixed> */
    public static function installation(Installation $in): array
    {
        return [
            'installation' => ['id' => $in->id, 'name' => $in->name, 'rules' => self::rules($in->rules())],
            'catalogue' => CatalogueEncoder::catalogue($in->catalogue),
            'locations' => array_map(BuildingCodec::encodeLocation(...), array_values($in->locations())),
            'ways' => array_map(BuildingCodec::encodeWay(...), array_values($in->ways())),
            'junctions' => array_map(BuildingCodec::encodeJunction(...), array_values($in->junctions())),
            'panels' => array_map(PanelCodec::encode(...), array_values($in->panels())),
            'looms' => array_map(LoomCodec::encode(...), array_values($in->looms())),
            'circuits' => array_map(self::circuit(...), array_values($in->circuits())),
            'equipment' => array_map(self::equipment(...), array_values($in->equipment())),
            'fittings' => array_map(self::fitting(...), array_values($in->fittings())),
            'matings' => array_map(self::mating(...), $in->matings()),
            'splices' => $in->splices(),
            'links' => array_map(self::link(...), $in->links()),
            'switches' => array_map(self::switch(...), array_values($in->switches())),
            'reels' => array_map(StockCodec::encodeReel(...), array_values($in->reels())),
            'economy' => StockCodec::encodeEconomy($in->economy()),
            'workshop' => StockCodec::encodeWorkshop($in->workshop()),
            ...$in->testing() == new TestChoices() ? [] : ['testing' => TestingCodec::encodeRules($in->testing())],
            'instruments' => array_map(TestingCodec::encodeInstrument(...), array_values($in->instruments())),
            ...$in->patterns() === []
                ? []
                : ['patterns' => array_map(PatternCodec::encode(...), array_values($in->patterns()))],
            ...$in->checked() === []
                ? []
                : ['checked' => array_map(ContactCheckCodec::encode(...), array_values($in->checked()))],
            ...$in->whys() === [] ? [] : ['whys' => array_map(WhyCodec::encode(...), array_values($in->whys()))],
            'runs' => array_map(RunCodec::encode(...), array_values($in->runs())),
        ];
    }

    /** @return array<int|string, mixed> */
    public static function rules(HouseRules $rules): array
    {
        return [
            'routeAllowance' => $rules->routeAllowance,
            'cutStep' => $rules->cutStep->canonical(),
            'trimAllowance' => $rules->trimAllowance->canonical(),
            'payOut' => $rules->payOut->canonical(),
            'usable' => $rules->usable->canonical(),
            // Files of houses that ask for none are what they were.
            ...$rules->reelMargin->isZero() ? [] : ['reelMargin' => $rules->reelMargin->canonical()],
            'labels' => [
                'end' => $rules->labels->end,
                'endLine' => $rules->labels->endLine,
                'leg' => $rules->labels->leg,
                'legLine' => $rules->labels->legLine,
                'limit' => $rules->labels->limit,
            ],
            ...self::schools($rules),
            ...$rules->departures === []
                ? []
                : ['departures' => SchoolsCodec::encodeDepartures($rules->departures)],
        ];
    }

    /** @return array<int|string, mixed> key of each school → what the house chose */
    private static function schools(HouseRules $rules): array
    {
        $chosen = [];
        foreach (HouseRules::SCHOOLS as $school) {
            $chosen[$school::key()] = $rules->on($school)->value;
        }

        return $chosen;
    }

    /** @return array<int|string, mixed> */
    public static function circuit(Circuit $circuit): array
    {
        return ['id' => $circuit->id, 'name' => $circuit->name, 'signal' => $circuit->signal] +
            CatalogueEncoder::brief([
                'topology' => $circuit->topology === Topology::PointToPoint ? null : $circuit->topology->value,
                'from' => $circuit->from,
                'phantom' => $circuit->phantom,
                'terminator' => $circuit->terminator,
                'demand' => self::demand($circuit->demand),
            ]);
    }

    /** @return array<int|string, mixed> */
    private static function demand(Demand $demand): array
    {
        return CatalogueEncoder::brief(
            ['rate' => $demand->rate?->value] +
                array_map(
                    static fn (?float $number): float|int|null => $number === null
                        ? null
                        : CatalogueEncoder::plain($number),
                    [
                        'source' => $demand->source,
                        'load' => $demand->load,
                        'line' => $demand->line,
                        'power' => $demand->power,
                    ],
                ),
        );
    }

    /** @return array<int|string, mixed> */
    public static function equipment(Equipment $equipment): array
    {
        return [
            'id' => $equipment->id,
            'name' => $equipment->name,
            'location' => $equipment->location,
            'ports' => array_map(
                static fn (Port $port): array => CatalogueEncoder::brief([
                    'id' => $port->id,
                    'name' => $port->name,
                    'connector' => $port->connector,
                    'plan' => $port->plan,
                    'direction' => $port->direction === PortDirection::Both ? null : $port->direction->value,
                    'signal' => $port->signal,
                    'level' => $port->level->value,
                    'phantom' => $port->phantom ?: null,
                    'terminates' => $port->terminates ?: null,
                ]),
                $equipment->ports,
            ),
        ];
    }

    /** @return array<int|string, mixed> */
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

    /** @return array<int|string, mixed> */
    public static function mating(Mating $mating): array
    {
        return ['fitting' => $mating->fitting, 'with' => $mating->with];
    }

    /** @return array<int|string, mixed> */
    public static function link(Link $link): array
    {
        return CatalogueEncoder::brief(['from' => $link->from, 'to' => $link->to, 'note' => $link->note]);
    }

    /** @return array<int|string, mixed> */
    public static function switch(PanelSwitch $switch): array
    {
        return [
            'id' => $switch->id,
            'name' => $switch->name,
            'from' => $switch->from,
            'to' => $switch->to,
            'closedAtRest' => $switch->closedAtRest,
        ];
    }
}
