<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Catalogue\FireClass;
use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Environment;
use Sartal\Core\Given\Installation\Junction;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\MapPoint;
use Sartal\Core\Given\Installation\Rack;
use Sartal\Core\Given\Installation\RackEntry;
use Sartal\Core\Given\Installation\Takes;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;

/** Locations, junctions and the ways between them, from and into their JSON shape (docs/formats.md). */
final class BuildingCodec
{
    private const MOST_BENDS = 50;

    private const MAP = 10_000;

    public static function location(Fields $fields): Location
    {
        return new Location(
            FileDecoder::id($fields),
            $fields->name('name'),
            $fields->choice('fire', FireClass::class, FireClass::Unrated),
            self::at($fields),
            $fields->has('rack') ? self::rack($fields->child('rack')) : null,
            trim($fields->text('level', '')),
        );
    }

    public static function junction(Fields $fields): Junction
    {
        return new Junction(
            FileDecoder::id($fields),
            $fields->name('name'),
            self::at($fields),
            trim($fields->text('level', '')),
        );
    }

    public static function way(Fields $fields): Way
    {
        $environment = [];
        foreach ($fields->texts('environment') as $i => $name) {
            $case = Environment::tryFrom($name);
            if ($case === null) {
                $fields->wrong(
                    'environment['.$i.']',
                    $name,
                    sprintf(
                        'should be one of: %s. Leave it out where it is dry.',
                        implode(
                            ', ',
                            array_map(static fn (Environment $each): string => $each->value, Environment::cases()),
                        ),
                    ),
                    null,
                );
            } else {
                $environment[] = $case;
            }
        }

        return new Way(
            FileDecoder::id($fields),
            $fields->name('name'),
            $fields->choice('kind', WayKind::class, WayKind::Tray),
            $fields->length('length', Length::metres(10_000)),
            $fields->text('from', ''),
            $fields->text('to', ''),
            self::inner($fields),
            $fields->whole('bends', 0, self::MOST_BENDS, 0),
            Ranges::optionalLength($fields, 'bendRadius'),
            $environment,
            $fields->choice('takes', Takes::class, Takes::Both),
            $fields->choice('fire', FireClass::class, FireClass::Unrated),
            $fields->optionalNumber('fillLimit', 1, 100),
            $fields->flag('measured', false),
        );
    }

    /** @return array<int|string, mixed> */
    public static function encodeLocation(Location $location): array
    {
        return ['id' => $location->id, 'name' => $location->name] +
            CatalogueEncoder::brief([
                'fire' => $location->fire === FireClass::Unrated ? null : $location->fire->value,
                'at' => self::encodeAt($location->at),
                'rack' => $location->rack === null
                        ? null
                        : [
                            'units' => $location->rack->units,
                            'entry' => $location->rack->entry->value,
                            'across' => $location->rack->across->canonical(),
                        ],
                'level' => $location->level,
            ]);
    }

    /** @return array<int|string, mixed> */
    public static function encodeJunction(Junction $junction): array
    {
        return ['id' => $junction->id, 'name' => $junction->name] +
            CatalogueEncoder::brief(['at' => self::encodeAt($junction->at), 'level' => $junction->level]);
    }

    /** @return array<int|string, mixed> */
    public static function encodeWay(Way $way): array
    {
        return [
            'id' => $way->id,
            'name' => $way->name,
            'kind' => $way->kind->value,
            'length' => $way->length->canonical(),
        ] +
            CatalogueEncoder::brief([
                'from' => $way->from,
                'to' => $way->to,
                'inner' => $way->inner === null
                        ? null
                        : array_map(
                            static fn (Length $side): string => $side->canonical(),
                            array_values(array_filter([$way->inner->width, $way->inner->height])),
                        ),
                'bends' => $way->bends ?: null,
                'bendRadius' => $way->bendRadius?->canonical(),
                'environment' => array_map(static fn (Environment $each): string => $each->value, $way->environment),
                'takes' => $way->takes === Takes::Both ? null : $way->takes->value,
                'fire' => $way->fire === FireClass::Unrated ? null : $way->fire->value,
                'fillLimit' => $way->fillLimit === null ? null : CatalogueEncoder::plain($way->fillLimit),
                'measured' => $way->measured ?: null,
            ]);
    }

    private static function inner(Fields $fields): ?Bore
    {
        if (! $fields->has('inner')) {
            return null;
        }
        $sides = $fields->lengths('inner', Length::metres(10));
        foreach ($sides as $i => $side) {
            if ($side->isZero()) {
                $fields->wrong('inner['.$i.']', '0', 'must be longer than nothing.', null);
            }
        }

        return match (count($sides)) {
            1 => Bore::round($sides[0]),
            2 => Bore::rectangular($sides[0], $sides[1]),
            default => $fields->wrong(
                'inner',
                count($sides),
                'should be one inner diameter, or a width and a height.',
                null,
            ),
        };
    }

    private static function rack(Fields $fields): Rack
    {
        $rack = new Rack(
            $fields->whole('units', 1, 100),
            $fields->choice('entry', RackEntry::class, RackEntry::Top),
            $fields->length('across', Length::metres(10), Length::zero()),
        );
        $fields->done();

        return $rack;
    }

    private static function at(Fields $fields): ?MapPoint
    {
        if (! $fields->has('at')) {
            return null;
        }
        $at = $fields->numbers('at');

        return count($at) === 2 && max(abs($at[0]), abs($at[1])) <= self::MAP
            ? new MapPoint($at[0], $at[1])
            : $fields->wrong(
                'at',
                count($at).' numbers',
                sprintf('should be two numbers, x and y, each at most %d.', self::MAP),
                null,
            );
    }

    /** @return ?array{float|int, float|int} */
    private static function encodeAt(?MapPoint $at): ?array
    {
        return $at === null ? null : [CatalogueEncoder::plain($at->x), CatalogueEncoder::plain($at->y)];
    }
}
