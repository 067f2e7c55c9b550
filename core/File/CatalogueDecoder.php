<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Catalogue\Bay;
use Sartal\Core\Given\Catalogue\BuiltInSwitch;
use Sartal\Core\Given\Catalogue\CableSide;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Cavity;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Consequence;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Element;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\ElementLayer;
use Sartal\Core\Given\Catalogue\FireClass;
use Sartal\Core\Given\Catalogue\Gender;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\MatingMode;
use Sartal\Core\Given\Catalogue\Metal;
use Sartal\Core\Given\Catalogue\Mount;
use Sartal\Core\Given\Catalogue\Outline;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\Point;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\ReachKind;
use Sartal\Core\Given\Catalogue\ReachRule;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Catalogue\SignalJoins;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Measure\Length;

/** Catalogue entries from their JSON shape (docs/formats.md). */
final class CatalogueDecoder
{
    private const DEEPEST = 8;

    private const MOST_COPIES = 200;

    public static function catalogue(Fields $fields): Catalogue
    {
        $named = $madeBy = [];
        $connectors = self::byId(
            $fields,
            'connectors',
            static function (Fields $each) use (&$named): ConnectorType {
                $type = self::connector($each);
                $named[$type->id] = $each->has('cable') ? $each->child('cable')->textMap('recipes') : [];

                return $type;
            },
        );
        $procedures = self::byId(
            $fields,
            'procedures',
            static function (Fields $each) use (&$madeBy): MakingProcedure {
                $madeBy = FormerCodec::standing($each, $madeBy);

                return MakingCodec::decode($each);
            },
        );

        return new Catalogue(
            self::byId($fields, 'cables', self::cable(...)),
            $connectors,
            self::byId($fields, 'signals', self::signal(...)),
            self::byId($fields, 'plans', self::plan(...)),
            self::byId($fields, 'parts', PartCodec::decode(...)),
            $procedures,
            FormerCodec::decode($fields, $named, $madeBy),
        );
    }

    public static function cable(Fields $fields): CableType
    {
        $construction = $fields->child('construction');
        $root = self::element($construction, 0);
        $construction->done();

        return new CableType(
            $fields->name('id'),
            $fields->name('name'),
            $fields->name('family'),
            $fields->name('prefix'),
            $fields->length('outerDiameter', Length::millimetres(200)),
            $fields->text('sheath', ''),
            $root[0],
            $fields->text('jacket', 'standard'),
            $fields->choice('fire', FireClass::class, FireClass::General),
            $fields->flag('outdoor', false),
            Ranges::optionalLength($fields, 'bendRadius'),
            $fields->number('mass', 0, 100_000, 0),
            $fields->flag('retired', false),
            $fields->text('category', ''),
            $fields->lengths('reels', Length::metres(10_000)),
            $fields->optionalNumber('pull', 1.0, 100_000.0),
        );
    }

    /**
     * One element, or as many copies as it says, numbered for the "#" in key and label.
     *
     * @return non-empty-list<Element>
     */
    private static function element(Fields $fields, int $depth): array
    {
        $key = $depth === 0 ? $fields->text('key', '') : $fields->name('key');
        if (str_contains($key, '/')) {
            $fields->wrong('key', $key, 'must not hold a slash.', '');
        }
        $children =
            $depth >= self::DEEPEST
                ? $fields->wrong('children', $key, 'nests too deep.', [[]])
                : $fields->each('children', static fn (Fields $child): array => self::element($child, $depth + 1));
        $children = array_merge(...$children, ...[[]]);
        self::once($fields, 'children', array_map(static fn (Element $child): string => $child->key, $children));
        $element = new Element(
            $key,
            $fields->choice('kind', ElementKind::class),
            $fields->text('label', ''),
            $fields->text('colour', ''),
            $fields->text('pole', ''),
            $fields->gauge('gauge'),
            $fields->has('domain') ? $fields->choice('domain', HazardDomain::class) : null,
            $children,
            Ranges::optionalLength($fields, 'diameter'),
            $fields->whole('strands', 0, 2000, 0),
            $fields->choice('metal', Metal::class, Metal::Copper),
            $fields->has('permittivity') ? $fields->number('permittivity', 1, 100) : null,
            $fields->has('impedance') ? $fields->whole('impedance', 1, 1000) : null,
            $fields->text('prepares', ''),
            $fields->optionalNumber('capacitance', 1, 10_000),
            $fields->optionalNumber('lossTangent', 0, 1),
            self::layers($fields),
        );
        $count = $fields->whole('count', 1, self::MOST_COPIES, 1);
        if ($count === 1 && ! $fields->has('count')) {
            return [$element];
        }

        return array_map(
            static fn (int $n): Element => new Element(
                str_replace('#', (string) $n, $element->key),
                $element->kind,
                str_replace('#', (string) $n, $element->label),
                $element->colour,
                $element->pole,
                $element->gauge,
                $element->domain,
                $element->children,
                $element->diameter,
                $element->strands,
                $element->metal,
                $element->permittivity,
                $element->impedance,
                $element->prepares,
                $element->capacitance,
                $element->lossTangent,
                $element->layers,
            ),
            range(1, $count),
        );
    }

    /** @return list<ElementLayer> */
    private static function layers(Fields $fields): array
    {
        $layers = [];
        foreach ($fields->texts('layers') as $text) {
            $layer = ElementLayer::tryFrom($text);
            if ($layer === null) {
                $all = implode(', ', array_column(ElementLayer::cases(), 'value'));
                $fields->wrong('layers', $text, 'is nothing that there is in a cable. Give one of '.$all.'.', null);
            } else {
                $layers[] = $layer;
            }
        }

        return $layers;
    }

    public static function connector(Fields $fields): ConnectorType
    {
        $outline = $fields->child('outline');
        $millimetres = Length::metres(1);
        $drawn = new Outline(
            $outline->text('shape', 'round'),
            $outline->length('width', $millimetres),
            $outline->length('height', $millimetres),
            $outline->has('key') ? self::point($outline, 'key') : null,
            $outline->length('contact', $millimetres),
        );
        $outline->done();
        $cavities = $fields->each(
            'cavities',
            static fn (Fields $cavity): Cavity => new Cavity(
                $cavity->name('address'),
                self::point($cavity, 'face'),
                self::point($cavity, 'wiring'),
                $cavity->text('terminal', ''),
                $cavity->has('wires') ? $cavity->whole('wires', 1, 20) : null,
                $cavity->text('kind', ''),
            ),
        );
        self::once($fields, 'cavities', array_map(static fn (Cavity $cavity): string => $cavity->address, $cavities));

        return new ConnectorType(
            $fields->name('id'),
            $fields->name('name'),
            $fields->text('short', ''),
            $fields->name('family'),
            $fields->choice('gender', Gender::class),
            $fields->choice('domain', HazardDomain::class, HazardDomain::Signal),
            $drawn,
            $fields->flag('conductiveShell', false),
            $fields->whole('shellWires', 0, 20, 1),
            $cavities,
            $fields->each(
                'bays',
                static fn (Fields $bay): Bay => new Bay(
                    $bay->name('name'),
                    $bay->name('accepts'),
                    self::point($bay, 'centre'),
                    $bay->flag('bareOnly', true),
                ),
            ),
            $fields->each(
                'switches',
                static fn (Fields $switch): BuiltInSwitch => new BuiltInSwitch(
                    $switch->name('name'),
                    self::addressPairs($switch, 'atRest'),
                    self::addressPairs($switch, 'operated'),
                ),
            ),
            $fields->each(
                'mates',
                static fn (Fields $mode): MatingMode => new MatingMode(
                    $mode->name('with'),
                    $mode->text('name', 'straight'),
                    $mode->textMap('contacts'),
                ),
            ),
            $fields->texts('cautions'),
            $fields->choice('mount', Mount::class, Mount::Cable),
            $fields->has('impedance') ? $fields->whole('impedance', 1, 1000) : null,
            $fields->has('cable') ? CableSideCodec::decode($fields->child('cable')) : new CableSide(),
            $fields->flag('retired', false),
        );
    }

    public static function signal(Fields $fields): SignalType
    {
        return new SignalType(
            $fields->name('id'),
            $fields->name('name'),
            $fields->choice('domain', HazardDomain::class, HazardDomain::Signal),
            $fields->each(
                'functions',
                static fn (Fields $function): SignalFunction => new SignalFunction(
                    $function->name('name'),
                    $function->whole('part', 0, 100),
                    $function->name('pole'),
                    $function->flag('required', true),
                    $function->flag('protective', false),
                ),
                true,
            ),
            self::lists($fields, 'differential'),
            $fields->each(
                'consequences',
                static fn (Fields $consequence): Consequence => new Consequence(
                    $consequence->name('fault'),
                    $consequence->texts('functions'),
                    $consequence->name('words'),
                ),
            ),
            $fields->has('impedance') ? $fields->whole('impedance', 1, 1000) : null,
            $fields->choice('joins', SignalJoins::class, SignalJoins::PointToPoint),
            $fields->flag('colourRule', false),
            $fields->flag('telescopes', false),
            $fields->flag('phantom', false),
            $fields->texts('words'),
            $fields->has('reach') ? self::reach($fields->child('reach')) : null,
            $fields->text('terminator', ''),
        );
    }

    private static function reach(Fields $fields): ReachRule
    {
        $rule = new ReachRule(
            $fields->choice('kind', ReachKind::class),
            $fields->name('source'),
            Ranges::optionalLength($fields, 'most', Length::metres(10_000)),
            $fields->optionalNumber('decibels', 0, 1000),
            $fields->optionalNumber('share', 1, 100),
            $fields->optionalNumber('picofarads', 1, 1e9),
            $fields->optionalNumber('ohms', 0.1, 1e6),
            $fields->optionalNumber('kilohertz', 0.1, 1e6),
            $fields->optionalNumber('volts', 0.1, 1e4),
            $fields->optionalNumber('percent', 0.1, 100),
        );
        $fields->done();

        return $rule;
    }

    public static function plan(Fields $fields): ContactPlan
    {
        $channels = [];
        $map = $fields->child('channels');
        foreach (array_keys($fields->entries('channels')) as $channel) {
            $channels[(string) $channel] = $map->textMap((string) $channel);
        }

        return new ContactPlan(
            $fields->name('id'),
            $fields->name('name'),
            $fields->name('connector'),
            $channels,
            $fields->text('source', ''),
            $fields->textMap('byScheme'),
            $fields->whole('block', 0, 100, 0),
            $fields->texts('shared'),
            $fields->textMap('inserts'),
            $fields->flag('retired', false),
        );
    }

    /**
     * @template T of CableType|ConnectorType|SignalType|ContactPlan|Part|MakingProcedure
     *
     * @param  callable(Fields): T  $read
     * @return array<int|string, T>
     */
    private static function byId(Fields $fields, string $key, callable $read): array
    {
        $entries = $fields->each($key, $read);
        self::once(
            $fields,
            $key,
            array_map(
                /** @param  T  $entry */
                static fn (object $entry): string => $entry->id,
                $entries,
            ),
        );
        $byId = [];
        foreach ($entries as $entry) {
            $byId[$entry->id] = $entry;
        }

        return $byId;
    }

    /** @param  list<string>  $names */
    public static function once(Fields $fields, string $key, array $names): void
    {
        foreach (array_count_values($names) as $name => $count) {
            if ($count > 1 && $name !== '') {
                $fields->wrong($key, $name, sprintf('uses "%s" %d times. Each must be unique.', $name, $count), null);
            }
        }
    }

    public static function point(Fields $fields, string $key): Point
    {
        $value = $fields->entries($key);
        [$x, $y] = [$value[0] ?? null, $value[1] ?? null];
        if (
            count($value) !== 2 ||
            ! is_numeric($x) ||
            ! is_numeric($y) ||
            abs((float) $x) > 1000 ||
            abs((float) $y) > 1000
        ) {
            return $fields->wrong(
                $key,
                $value,
                'should be two numbers: mm to the right and mm up from the centre.',
                new Point(0, 0),
            );
        }

        return new Point((float) $x, (float) $y);
    }

    /** @return list<array{string, string}> */
    private static function addressPairs(Fields $fields, string $key): array
    {
        $pairs = [];
        foreach (self::lists($fields, $key) as $pair) {
            if (count($pair) === 2) {
                $pairs[] = [$pair[0], $pair[1]];
            } else {
                $fields->wrong($key, count($pair), 'should be pairs of addresses.', null);
            }
        }

        return $pairs;
    }

    /** @return list<list<string>> */
    private static function lists(Fields $fields, string $key): array
    {
        $lists = [];
        foreach ($fields->entries($key) as $list) {
            $texts = is_array($list) ? array_values(array_filter($list, is_string(...))) : [];
            if (! is_array($list) || count($texts) !== count($list)) {
                $fields->wrong($key, $list, 'should be a list of lists of text.', null);
            }
            $lists[] = $texts;
        }

        return $lists;
    }
}
