<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Demand;
use Sartal\Core\Given\Installation\Economy;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\LabelScheme;
use Sartal\Core\Given\Installation\Level;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\PortDirection;
use Sartal\Core\Given\Installation\TestChoices;
use Sartal\Core\Given\Installation\Topology;
use Sartal\Core\Given\Installation\VideoRate;
use Sartal\Core\Given\Installation\Workshop;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\Record;

/** A whole installation file from its JSON shape (docs/formats.md). */
final class FileDecoder
{
    /**
     * @param  array<array-key, mixed>  $data
     *
     * @throws InvalidDocument naming everything that is wrong with it
     */
    public static function file(array $data): InstallationFile
    {
        $problems = new Problems();
        [$fields, $installation, $people] = self::whole($data, $problems);
        $file = new InstallationFile(
            $installation,
            new Record($fields->each('record', EventCodec::decode(...))),
            $people,
        );
        $fields->done();
        $known = array_flip(array_map(static fn (Person $person): string => $person->id, $people));
        foreach ($file->record->events() as $i => $event) {
            self::event($problems, $i, $event, $installation, $known);
        }
        $problems->settle();

        return $file;
    }

    /**
     * Everything of a file but its record, which is read apart.
     *
     * @param  array<array-key, mixed>  $data
     * @return array{Installation, list<Person>}
     *
     * @throws InvalidDocument where it is no installation file; what else is wrong is added to the problems
     */
    public static function decided(array $data, Problems $problems): array
    {
        [$fields, $installation, $people] = self::whole($data, $problems);
        $fields->done();

        return [$installation, $people];
    }

    /**
     * @param  array<array-key, mixed>  $data
     * @return array{Fields, Installation, list<Person>}
     *
     * @throws InvalidDocument
     */
    private static function whole(array $data, Problems $problems): array
    {
        $fields = Fields::from($data, '', $problems);
        if (
            $fields->text('format') !== InstallationFile::FORMAT ||
            ($data['version'] ?? null) !== InstallationFile::VERSION
        ) {
            $fields->wrong(
                'format',
                $data['format'] ?? null,
                sprintf('should be "%s", version %d.', InstallationFile::FORMAT, InstallationFile::VERSION),
                null,
            );
            $problems->settle();
        }
        $fields->whole('version', 1, 1);
        $installation = self::installation($fields);
        $people = $fields->each('people', self::person(...));
        CatalogueDecoder::once(
            $fields,
            'people',
            array_map(static fn (Person $person): string => $person->id, $people),
        );

        return [$fields, $installation, $people];
    }

    /**
     * Runs, fittings and circuits of a file, laid over an installation in the place of its own.
     *
     * @param  Fields  $fields  with these three lists
     */
    public static function runsIn(Installation $in, Fields $fields): Installation
    {
        return $in->changed([
            'circuits' => self::byId($fields, 'circuits', self::circuit(...)),
            'fittings' => self::byId($fields, 'fittings', self::fitting(...)),
            'runs' => self::byId($fields, 'runs', RunCodec::decode(...)),
        ]);
    }

    /** Everything of a file but its record and people. */
    public static function installation(Fields $fields): Installation
    {
        $own = $fields->child('installation');
        $rules = $own->has('rules') ? self::rules($own->child('rules')) : HouseRules::defaults();
        $catalogue = $fields->has('catalogue') ? $fields->child('catalogue') : null;
        $installation = new Installation(
            $own->name('id'),
            $own->name('name'),
            $rules,
            $catalogue === null ? new Catalogue() : CatalogueDecoder::catalogue($catalogue),
            self::byId($fields, 'locations', BuildingCodec::location(...)),
            self::byId($fields, 'ways', BuildingCodec::way(...)),
            self::byId($fields, 'looms', LoomCodec::decode(...)),
            self::byId($fields, 'circuits', self::circuit(...)),
            self::byId($fields, 'equipment', self::equipment(...)),
            self::byId($fields, 'fittings', self::fitting(...)),
            self::byId($fields, 'runs', RunCodec::decode(...)),
            ...self::connections($fields),
            junctions: self::byId($fields, 'junctions', BuildingCodec::junction(...)),
            panels: self::byId($fields, 'panels', PanelCodec::decode(...)),
            reels: self::byId($fields, 'reels', StockCodec::reel(...)),
            economy: $fields->has('economy') ? StockCodec::economy($fields->child('economy')) : new Economy(),
            workshop: $fields->has('workshop') ? StockCodec::workshop($fields->child('workshop')) : new Workshop(),
            testing: $fields->has('testing') ? TestingCodec::rules($fields->child('testing')) : new TestChoices(),
            instruments: self::byId($fields, 'instruments', TestingCodec::instrument(...)),
            patterns: self::byId($fields, 'patterns', PatternCodec::decode(...)),
            checked: self::byId($fields, 'checked', ContactCheckCodec::decode(...)),
            whys: self::byId($fields, 'whys', WhyCodec::decode(...)),
        );
        $own->done();
        $catalogue?->done();

        return $installation->catalogue->former->isEmpty()
            ? $installation
            : $installation->withCatalogue($installation->catalogue->choosing(self::chosen($installation)));
    }

    /** @return array<int|string, array<int|string, true>> recipe → connectors of legs that chose it */
    public static function chosen(Installation $in): array
    {
        $chosen = [];
        foreach ($in->runs() as $run) {
            foreach ([...$run->a->legs, ...$run->b->legs] as $leg) {
                $fitting = $in->fitting($leg->landing->fitting ?? '');
                if ($fitting !== null && isset($in->catalogue->former->recipes[$leg->procedure])) {
                    $chosen[$leg->procedure] ??= [];
                    $chosen[$leg->procedure] += array_fill_keys(
                        [$fitting->connector, ...array_values($fitting->inserts)],
                        true,
                    );
                }
            }
        }

        return $chosen;
    }

    /**
     * What is joined and plugged together.
     *
     * @return array{matings: list<Mating>, splices: list<string>, links: list<Link>, switches: array<int|string,
     *     PanelSwitch>}
     */
    public static function connections(Fields $fields): array
    {
        return [
            'matings' => $fields->each('matings', self::mating(...)),
            'splices' => $fields->texts('splices'),
            'links' => $fields->each('links', self::link(...)),
            'switches' => self::byId($fields, 'switches', self::switch(...)),
        ];
    }

    public static function rules(Fields $fields): HouseRules
    {
        $defaults = HouseRules::defaults();
        $step = $fields->length('cutStep', Length::metres(100), $defaults->cutStep);
        if ($step->isZero()) {
            $fields->wrong('cutStep', '0', 'must be longer than nothing.', null);
        }
        $choices = [];
        foreach (HouseRules::SCHOOLS as $school) {
            $choices[] = $fields->choice($school::key(), $school, $school::usual());
        }
        $rules = new HouseRules(
            $fields->number('routeAllowance', 0, 100, $defaults->routeAllowance),
            $step->isZero() ? $defaults->cutStep : $step,
            $fields->length('trimAllowance', Length::metres(10), $defaults->trimAllowance),
            $fields->length('payOut', Length::metres(50), $defaults->payOut),
            $fields->length('usable', Length::metres(1000), $defaults->usable),
            $fields->length('reelMargin', Length::metres(100), $defaults->reelMargin),
            $fields->has('labels') ? self::labels($fields->child('labels')) : $defaults->labels,
            array_merge(...$fields->each('departures', SchoolsCodec::departures(...))),
            ...$choices,
        );
        $fields->done();

        return $rules;
    }

    public static function labels(Fields $fields): LabelScheme
    {
        $usual = new LabelScheme();
        $scheme = new LabelScheme(
            $fields->text('end', $usual->end),
            $fields->text('endLine', $usual->endLine),
            $fields->text('leg', $usual->leg),
            $fields->text('legLine', $usual->legLine),
            $fields->whole('limit', 1, 60, $usual->limit),
        );
        foreach ($scheme->unknown() as $token) {
            $fields->wrong(
                'labels',
                '{'.$token.'}',
                'stands for nothing: use '.
                    implode(
                        ', ',
                        array_map(
                            static fn (string $each): string => '{'.$each.'}',
                            array_keys(LabelScheme::TOKENS),
                        ),
                    ).
                    '.',
                null,
            );
        }
        $fields->done();

        return $scheme;
    }

    public static function circuit(Fields $fields): Circuit
    {
        return new Circuit(
            self::id($fields),
            $fields->name('name'),
            Interned::text($fields->name('signal')),
            $fields->choice('topology', Topology::class, Topology::PointToPoint),
            $fields->text('from', ''),
            $fields->text('phantom', ''),
            $fields->text('terminator', ''),
            $fields->has('demand') ? self::demand($fields->child('demand')) : Demand::usual(),
        );
    }

    public static function demand(Fields $fields): Demand
    {
        $demand = new Demand(
            $fields->has('rate') ? $fields->choice('rate', VideoRate::class) : null,
            $fields->optionalNumber('source', 0.1, 1e6),
            $fields->optionalNumber('load', 0.5, 1e6),
            $fields->optionalNumber('line', 0.1, 1e4),
            $fields->optionalNumber('power', 0, 1e6),
        );
        $fields->done();

        return $demand;
    }

    public static function equipment(Fields $fields): Equipment
    {
        return new Equipment(
            self::id($fields),
            $fields->name('name'),
            $fields->name('location'),
            $fields->each(
                'ports',
                static fn (Fields $port): Port => new Port(
                    $port->name('id'),
                    $port->name('name'),
                    $port->name('connector'),
                    $port->optionalText('plan'),
                    $port->choice('direction', PortDirection::class, PortDirection::Both),
                    $port->text('signal', ''),
                    $port->choice('level', Level::class, Level::None),
                    $port->flag('phantom', false),
                    $port->flag('terminates', false),
                ),
            ),
        );
    }

    public static function fitting(Fields $fields): Fitting
    {
        return new Fitting(
            self::id($fields),
            $fields->name('label'),
            Interned::text($fields->name('connector')),
            Interned::text($fields->name('location')),
            $fields->textMap('inserts'),
            $fields->texts('shared'),
            $fields->text('exit', ''),
            $fields->has('clocking') ? $fields->whole('clocking', 0, 359) : null,
            $fields->texts('parts'),
        );
    }

    public static function mating(Fields $fields): Mating
    {
        return new Mating($fields->name('fitting'), $fields->name('with'));
    }

    public static function link(Fields $fields): Link
    {
        return new Link($fields->name('from'), $fields->name('to'), $fields->text('note', ''));
    }

    public static function switch(Fields $fields): PanelSwitch
    {
        return new PanelSwitch(
            self::id($fields),
            $fields->name('name'),
            $fields->name('from'),
            $fields->name('to'),
            $fields->flag('closedAtRest', true),
        );
    }

    /** Ids stand in node names, so they keep clear of the marks used there. */
    public static function id(Fields $fields, string $key = 'id'): string
    {
        $id = $fields->name($key);
        // Nearly all are of letters, digits and marks.
        if (strlen($id) <= 80 && ctype_graph($id) && strpbrk($id, '/:>|') === false) {
            return $id;
        }
        if ($id !== '' && (preg_match('~^[^/:>|\s]+$~u', $id) !== 1 || mb_strlen($id) > 80)) {
            return $fields->wrong(
                $key,
                $id,
                'should be at most 80 characters without blanks, "/", ":", ">" or "|".',
                '',
            );
        }

        return $id;
    }

    private static function person(Fields $fields): Person
    {
        return new Person(
            // One who has an id needs no sign-in name.
            $fields->has('id') ? $fields->text('signIn', '') : $fields->name('signIn'),
            $fields->name('name'),
            $fields->texts('roles'),
            $fields->texts('skills'),
            $fields->has('id') ? $fields->name('id') : '',
        );
    }

    /**
     * What was done must have been done by somebody, to something.
     *
     * @param  array<int|string, int>  $known  people by what the file calls them
     */
    public static function event(
        Problems $problems,
        int $i,
        Event $event,
        Installation $installation,
        array $known,
    ): void {
        if (! isset($installation->runs()[$event->run])) {
            $problems->add('record['.$i.'].run', $event->run, 'names a run that the file does not hold.');
        }
        if (! isset($known[$event->by])) {
            $problems->add('record['.$i.'].by', $event->by, 'names a person that the file does not hold.');
        }
        foreach ($event->asks() as $n => $person) {
            if (! isset($known[$person])) {
                $problems->add(
                    sprintf('record[%d].asks[%d]', $i, $n),
                    $person,
                    'names a person that the file does not hold.',
                );
            }
        }
    }

    /**
     * @template T of object{id: string}
     *
     * @param  callable(Fields): T  $read
     * @return array<int|string, T>
     */
    private static function byId(Fields $fields, string $key, callable $read): array
    {
        $entries = $fields->each($key, $read);
        CatalogueDecoder::once($fields, $key, array_map(static fn (object $entry): string => $entry->id, $entries));
        $byId = [];
        foreach ($entries as $entry) {
            $byId[$entry->id] = $entry;
        }

        return $byId;
    }
}
