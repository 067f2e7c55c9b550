<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Catalogue\Bay;
use Sartal\Core\Given\Catalogue\BuiltInSwitch;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Cavity;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Consequence;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Element;
use Sartal\Core\Given\Catalogue\ElementLayer;
use Sartal\Core\Given\Catalogue\FireClass;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\MatingMode;
use Sartal\Core\Given\Catalogue\Metal;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\Point;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\ReachRule;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalJoins;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Measure\Length;

/**
 * Catalogue entries into their JSON shape, in one canonical spelling: what is
 * as it would be by default is left out.
 *
 * @phpstan-type Json array<int|string, mixed>
 */
final class CatalogueEncoder
{
    /** @return Json */
    public static function catalogue(Catalogue $catalogue): array
    {
        return [
            'cables' => array_map(self::cable(...), array_values($catalogue->cables())),
            'connectors' => array_map(self::connector(...), array_values($catalogue->connectors())),
            'signals' => array_map(self::signal(...), array_values($catalogue->signals())),
            'plans' => array_map(self::plan(...), array_values($catalogue->plans())),
            'parts' => array_map(PartCodec::encode(...), array_values($catalogue->parts())),
            'procedures' => array_map(MakingCodec::encode(...), array_values($catalogue->procedures())),
            ...self::brief(['former' => FormerCodec::encode($catalogue->former)]),
        ];
    }

    /**
     * One entry of whichever kind.
     *
     * @return Json
     */
    public static function type(CableType|ConnectorType|SignalType|ContactPlan|Part|MakingProcedure $type): array
    {
        return match (true) {
            $type instanceof CableType => self::cable($type),
            $type instanceof ConnectorType => self::connector($type),
            $type instanceof SignalType => self::signal($type),
            $type instanceof ContactPlan => self::plan($type),
            $type instanceof Part => PartCodec::encode($type),
            $type instanceof MakingProcedure => MakingCodec::encode($type),
        };
    }

    /** @return Json */
    public static function cable(CableType $cable): array
    {
        return [
            'id' => $cable->id,
            'name' => $cable->name,
            'family' => $cable->family,
            'prefix' => $cable->prefix,
            'outerDiameter' => $cable->outerDiameter->canonical(),
            'sheath' => $cable->sheath,
            ...self::brief([
                'jacket' => $cable->jacket === 'standard' ? null : $cable->jacket,
                'fire' => $cable->fire === FireClass::General ? null : $cable->fire->value,
                'outdoor' => $cable->outdoor ?: null,
                'bendRadius' => $cable->bendRadius?->canonical(),
                'mass' => $cable->mass === 0.0 ? null : self::plain($cable->mass),
                'pull' => $cable->pull === null ? null : self::plain($cable->pull),
                'category' => $cable->category,
                'reels' => array_map(static fn (Length $reel): string => $reel->canonical(), $cable->reels),
                'retired' => $cable->retired ?: null,
            ]),
            'construction' => self::element($cable->construction),
        ];
    }

    /** @return Json */
    private static function element(Element $element): array
    {
        return self::brief([
            'key' => $element->key,
            'kind' => $element->kind->value,
            'label' => $element->label,
            'colour' => $element->colour,
            'pole' => $element->pole,
            'gauge' => $element->gauge?->text,
            'domain' => $element->domain?->value,
            'diameter' => $element->diameter?->canonical(),
            'strands' => $element->strands ?: null,
            'metal' => $element->metal === Metal::Copper ? null : $element->metal->value,
            'permittivity' => $element->permittivity === null ? null : self::plain($element->permittivity),
            'impedance' => $element->impedance,
            'capacitance' => self::optional($element->capacitance),
            'lossTangent' => self::optional($element->lossTangent),
            'prepares' => $element->prepares,
            'layers' => array_map(static fn (ElementLayer $layer): string => $layer->value, $element->layers),
            'children' => array_map(self::element(...), $element->children),
        ]);
    }

    /** @return Json */
    public static function connector(ConnectorType $type): array
    {
        return [
            'id' => $type->id,
            'name' => $type->name,
            'short' => $type->short,
            'family' => $type->family,
            'gender' => $type->gender->value,
            ...self::brief([
                'domain' => $type->domain === HazardDomain::Signal ? null : $type->domain->value,
                'conductiveShell' => $type->conductiveShell ?: null,
                'shellWires' => $type->shellWires === 1 ? null : $type->shellWires,
                'mount' => $type->mount === Mount::Cable ? null : $type->mount->value,
                'impedance' => $type->impedance,
            ]),
            'outline' => self::brief([
                'shape' => $type->outline->shape,
                'width' => $type->outline->width->canonical(),
                'height' => $type->outline->height->canonical(),
                'key' => $type->outline->key === null ? null : self::point($type->outline->key),
                'contact' => $type->outline->contact->canonical(),
            ]),
            'cavities' => array_map(
                static fn (Cavity $cavity): array => self::brief([
                    'address' => $cavity->address,
                    'face' => self::point($cavity->face),
                    'wiring' => self::point($cavity->wiring),
                    'terminal' => $cavity->terminal,
                    'wires' => $cavity->wires,
                    'kind' => $cavity->kind,
                ]),
                $type->cavities,
            ),
            ...self::brief([
                'bays' => array_map(
                    static fn (Bay $bay): array => [
                        'name' => $bay->name,
                        'accepts' => $bay->accepts,
                        'centre' => self::point($bay->centre),
                        ...$bay->bareOnly ? [] : ['bareOnly' => false],
                    ],
                    $type->bays,
                ),
                'switches' => array_map(
                    static fn (BuiltInSwitch $switch): array => [
                        'name' => $switch->name,
                        'atRest' => $switch->atRest,
                        'operated' => $switch->operated,
                    ],
                    $type->switches,
                ),
                'mates' => array_map(
                    static fn (MatingMode $mode): array => self::brief([
                        'with' => $mode->with,
                        'name' => $mode->name === 'straight' ? '' : $mode->name,
                        'contacts' => $mode->contacts === [] ? null : (object) $mode->contacts,
                    ]),
                    $type->mates,
                ),
                'cautions' => $type->cautions,
                'cable' => CableSideCodec::encode($type->cable) ?: null,
                'retired' => $type->retired ?: null,
            ]),
        ];
    }

    /** @return Json */
    public static function signal(SignalType $signal): array
    {
        return [
            'id' => $signal->id,
            'name' => $signal->name,
            ...self::brief([
                'domain' => $signal->domain === HazardDomain::Signal ? null : $signal->domain->value,
                'impedance' => $signal->impedance,
                'joins' => $signal->joins === SignalJoins::PointToPoint ? null : $signal->joins->value,
                'colourRule' => $signal->colourRule ?: null,
                'telescopes' => $signal->telescopes ?: null,
                'phantom' => $signal->phantom ?: null,
                'words' => $signal->words,
                'reach' => $signal->reach === null ? null : self::reach($signal->reach),
                'terminator' => $signal->terminator,
            ]),
            'functions' => array_map(
                static fn (SignalFunction $function): array => [
                    'name' => $function->name,
                    'part' => $function->part,
                    'pole' => $function->pole,
                    ...$function->required ? [] : ['required' => false],
                    ...$function->protective ? ['protective' => true] : [],
                ],
                $signal->functions,
            ),
            ...self::brief([
                'differential' => $signal->differential,
                'consequences' => array_map(
                    static fn (Consequence $consequence): array => self::brief([
                        'fault' => $consequence->fault,
                        'functions' => $consequence->functions,
                        'words' => $consequence->words,
                    ]),
                    $signal->consequences,
                ),
            ]),
        ];
    }

    /** @return Json */
    private static function reach(ReachRule $rule): array
    {
        return self::brief(
            ['kind' => $rule->kind->value, 'source' => $rule->source, 'most' => $rule->most?->canonical()] +
                array_map(self::optional(...), [
                    'decibels' => $rule->decibels,
                    'share' => $rule->share,
                    'picofarads' => $rule->picofarads,
                    'ohms' => $rule->ohms,
                    'kilohertz' => $rule->kilohertz,
                    'volts' => $rule->volts,
                    'percent' => $rule->percent,
                ]),
        );
    }

    /** @return Json */
    public static function plan(ContactPlan $plan): array
    {
        return [
            'id' => $plan->id,
            'name' => $plan->name,
            'connector' => $plan->connector,
            'channels' => (object) array_map(
                static fn (array $contacts): object => (object) $contacts,
                $plan->channels,
            ),
            ...self::brief([
                'source' => $plan->source,
                'byScheme' => $plan->byScheme === [] ? null : (object) $plan->byScheme,
                'block' => $plan->block ?: null,
                'shared' => $plan->shared,
                'inserts' => $plan->inserts === [] ? null : (object) $plan->inserts,
                'retired' => $plan->retired ?: null,
            ]),
        ];
    }

    /**
     * Without what is empty.
     *
     * @param  Json  $fields
     * @return Json
     */
    public static function brief(array $fields): array
    {
        return array_filter(
            $fields,
            static fn (mixed $value): bool => $value !== null && $value !== '' && $value !== [],
        );
    }

    /** @return array{float|int, float|int} */
    public static function point(Point $point): array
    {
        return [self::plain($point->x), self::plain($point->y)];
    }

    private static function optional(?float $number): float|int|null
    {
        return $number === null ? null : self::plain($number);
    }

    public static function plain(float $number): float|int
    {
        return floor($number) === $number ? (int) $number : $number;
    }
}
