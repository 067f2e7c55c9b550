<?php

declare(strict_types=1);

namespace App\Http\Resources\Proof;

use App\Contract\Map;
use App\Http\Resources\Given\ConnectorResource;
use App\Http\Resources\Plan\ScheduleResource;
use App\Planning\Loaded;
use App\Planning\StandingRules;
use App\Testing\TestKnown;
use App\Testing\UnderTest;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\File\ReadingCodec;
use Sartal\Core\File\TestingCodec;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Instrument;
use Sartal\Core\Given\Installation\InstrumentKind;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Later\Handover\AssemblyFacts;
use Sartal\Core\Later\Handover\AssemblyStanding;
use Sartal\Core\Later\Handover\Standings;
use Sartal\Core\Proof\Record\Doubt;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\ExpectedFigure;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\PairCheck;
use Sartal\Core\Proof\Testing\PlannedTest;
use Sartal\Core\Proof\Testing\Probe;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\SwitchState;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * What a tester works from: the points to touch, what each method should show, and what was recorded before.
 *
 * @phpstan-import-type Row from ScheduleResource
 * @phpstan-import-type FindingShown from PlanEncoder
 * @phpstan-import-type Drawing from ConnectorResource
 * @phpstan-import-type FigureShown from PlanEncoder
 *
 * @phpstan-type TestSheet array{
 *     assembly: string,
 *     stage: value-of<TestStage>,
 *     fingerprint: string,
 *     formerly: string,
 *     run: Row,
 *     runs: list<string>,
 *     from: list<ProbeAt>,
 *     to: list<ProbeAt>,
 *     mains: list<ProbeAt>,
 *     twoSided: bool,
 *     expected: Map<list<string>>,
 *     pairs: list<array{id: string, nodes: list<string>}>,
 *     states: list<array{id: string, name: string}>,
 *     plan: list<array{
 *         method: value-of<Method>,
 *         words: string,
 *         why: string,
 *         limit: string,
 *         licensed: bool,
 *         binding: bool,
 *     }>,
 *     licensed: bool,
 *     cards: Map<MethodCard>,
 *     methods: Map<list<Question>>,
 *     instruments: list<InstrumentWith>,
 *     fittings: Map<TestFitting>,
 *     trials: list<Trial>,
 *     contradiction: list<string>,
 *     basis: list<string>,
 *     makers: list<string>,
 *     cautions: list<string>,
 * }
 * @phpstan-type Trial array{
 *     id: string,
 *     kind: value-of<EventKind>,
 *     run: string,
 *     code: string,
 *     side?: value-of<Side>,
 *     by: string,
 *     who: string,
 *     at: string,
 *     received?: string,
 *     of?: string,
 *     stage?: value-of<TestStage>,
 *     verdict?: value-of<Verdict>,
 *     instrument?: string,
 *     note?: string,
 *     doubt: string,
 *     overtaken?: bool,
 *     read?: Map<array{read: int, declared: int}>,
 *     missing?: list<string>,
 *     findings?: list<FindingShown>,
 *     ...
 * }
 * @phpstan-type InstrumentWith array{
 *     methods: list<value-of<Method>>,
 *     id: string,
 *     name: string,
 *     kind: value-of<InstrumentKind>,
 *     number?: string,
 *     calibratedTo?: string,
 *     ...
 * }
 * @phpstan-type TestFitting array{label: string, tag: string, location: string, drawing: Drawing|null}
 * @phpstan-type MethodCard array{
 *     name?: string,
 *     answers?: list<string>,
 *     within?: array{float, float},
 *     bands?: list<float>,
 *     opens?: bool,
 *     byInstrument?: bool,
 *     unplugged?: bool,
 *     should?: string,
 *     beyond?: string,
 * }
 * @phpstan-type Question array{
 *     at: string,
 *     state?: string,
 *     nodes: list<string>,
 *     asks?: string,
 *     unit?: string,
 *     optional?: bool,
 *     expected: float|list<string>|string,
 *     figure?: FigureShown,
 * }
 * @phpstan-type ProbeAt array{
 *     node: string,
 *     side: value-of<Side>,
 *     fitting: string,
 *     address: string,
 *     serves: string,
 *     channel: string,
 * }
 */
final class TestResource
{
    /** @return TestSheet */
    public static function sheet(Run $run, UnderTest $test, TestStage $stage): array
    {
        $loaded = $test->loaded;
        $standings = Standings::in($loaded->installation);
        $facts = Standings::factsOn($test->assembly, $loaded->installation, $loaded->plan());

        return self::standing(
            self::decided($run, $test, $stage),
            TestKnown::of($test),
            $facts,
            $standings->of($facts, $test->record()),
            $test->record(),
            new StandingRules($standings, $loaded->instruments()),
            $loaded->people,
        );
    }

    /**
     * @param  TestSheet  $sheet
     * @param  Record  $record  of its assembly, with every single step
     * @param  array<int|string, string>  $people  what the record calls people by → name
     * @return TestSheet
     */
    public static function standing(
        array $sheet,
        TestKnown $known,
        AssemblyFacts $facts,
        AssemblyStanding $standing,
        Record $record,
        StandingRules $rules,
        array $people,
    ): array {
        $run = $sheet['run']['id'];
        $results = array_filter($standing->results, static fn (Finding $of): bool => $of->subject->id === $run);
        $events = $record->together($facts->runs());

        return [
            ...$sheet,
            'run' => ScheduleResource::with(
                $sheet['run'],
                $standing->runs[$run]->strand,
                $standing->runs[$run]->hands,
                array_values($results),
                $people,
            ),
            'trials' => self::trials($known, $facts, $record, $rules, $people),
            'contradiction' => array_map(
                static fn (Event $event): string => $event->id,
                Trials::among($events)->contradiction(TestStage::from($sheet['stage'])),
            ),
            'basis' => $standing->basis,
            'makers' => $record->makers($facts->runs()),
        ];
    }

    /** @return TestSheet what follows from decisions: nobody has recorded anything */
    public static function decided(Run $run, UnderTest $test, TestStage $stage): array
    {
        [$loaded, $assembly, $expectation] = [$test->loaded, $test->assembly, $test->expectation()];
        $plan = $test->plan($stage);

        return [
            'assembly' => $assembly->id,
            'stage' => $stage->value,
            'fingerprint' => $expectation->fingerprint()->now(),
            'formerly' => $expectation->fingerprint()->first,
            'run' => ScheduleResource::decidedRow($run, $loaded),
            'runs' => array_map(
                static fn (string $id): string => $loaded->installation->runs()[$id]->code,
                $assembly->runs,
            ),
            'from' => array_values(array_map(self::probe(...), $expectation->setup->touched())),
            'to' => array_values(array_map(self::probe(...), $expectation->setup->watched())),
            'mains' => array_values(
                array_map(
                    self::probe(...),
                    array_intersect_key(
                        $expectation->setup->from + $expectation->setup->to,
                        $expectation->setup->makeup->live,
                    ),
                ),
            ),
            'twoSided' => array_intersect_key($expectation->setup->from, $expectation->setup->to) === [],
            'expected' => new Map($expectation->reading->lights),
            'pairs' => array_map(
                static fn (PairCheck $pair): array => ['id' => $pair->id, 'nodes' => $pair->nodes],
                $expectation->setup->pairs,
            ),
            'states' => array_map(
                static fn (SwitchState $state): array => ['id' => $state->id, 'name' => $state->name],
                array_values($expectation->states),
            ),
            'plan' => array_map(
                static fn (PlannedTest $planned): array => [
                    'method' => $planned->method->value,
                    'words' => Methods::card($planned->method)->words,
                    'why' => $planned->why,
                    'limit' => $planned->limit,
                    'licensed' => $planned->licensed,
                    'binding' => $planned->binding,
                ],
                $plan->tests,
            ),
            'licensed' => $plan->isLicensed(),
            'cards' => new Map(self::cards()),
            'methods' => new Map(self::methods($expectation)),
            'instruments' => array_map(self::instrument(...), array_values($loaded->installation->instruments())),
            'fittings' => new Map(self::fittings($assembly, $loaded)),
            'trials' => [],
            'contradiction' => [],
            'basis' => [],
            'makers' => [],
            'cautions' => self::cautions($expectation),
        ];
    }

    /**
     * What there is to know of each method to offer it, to read it and to compare what was read with what should be.
     *
     * @return array<int|string, MethodCard>
     */
    private static function cards(): array
    {
        $cards = [];
        foreach (Method::cases() as $method) {
            $card = Methods::card($method);
            /** @var MethodCard */
            $known = array_filter([
                'name' => $card->name,
                'answers' => $card->answers,
                'within' => $card->near->share === null ? null : [$card->near->share, $card->near->least],
                'bands' => $card->near->bands,
                'opens' => $card->opens,
                'byInstrument' => ! $card->byHand,
                'unplugged' => $card->unplugged,
                'should' => $card->should,
                'beyond' => $card->beyond,
            ]);
            $cards[$method->value] = $known;
        }

        return $cards;
    }

    /**
     * Questions of every method but the map, with what should be read.
     *
     * @return array<int|string, list<Question>>
     */
    private static function methods(Expectation $expectation): array
    {
        $methods = [];
        $senses = $expectation->senses();
        foreach (Method::cases() as $method) {
            if (in_array($method, [Method::Map, Method::Shells, Method::Pairs], true)) {
                continue;
            }
            foreach ($senses->questions($method) as $question) {
                $figure = ExpectedFigure::work($expectation, $question);
                $methods[$method->value][] = [
                    'at' => $question->at,
                    ...$question->state === '' ? [] : ['state' => $question->state],
                    'nodes' => $senses->nodes($question),
                    ...array_filter(
                        ['asks' => $senses->asks($question), 'unit' => $senses->scale($question)->unit],
                        static fn (string $said): bool => $said !== '',
                    ),
                    ...$senses->counts($question) ? [] : ['optional' => true],
                    'expected' => ReadingCodec::value($senses->expected($question)),
                    ...$figure === null ? [] : ['figure' => PlanEncoder::figure($figure)],
                ];
            }
        }

        return $methods;
    }

    /**
     * Tests and what came between them, the newest first.
     *
     * @param  array<int|string, string>  $people
     * @return list<Trial>
     */
    private static function trials(
        TestKnown $known,
        AssemblyFacts $facts,
        Record $record,
        StandingRules $rules,
        array $people,
    ): array {
        $trials = [];
        $today = $known->expectation->fingerprint();
        $checks = $rules->standings->checks($record);
        foreach (array_reverse($record->together($facts->runs())) as $event) {
            $again =
                ($event->step === '' && $event->kind === EventKind::Remade) ||
                ($event->kind === EventKind::Reworked && ($event->rework()->reopens ?? []) !== []);
            if ($event->kind !== EventKind::Tested && $event->kind !== EventKind::Settled && ! $again) {
                continue;
            }
            $reading = $event->test()?->reading;
            /** @var Trial */
            $trial = [
                ...array_diff_key(EventCodec::encode($event), [
                    'reading' => 0,
                    'fingerprint' => 0,
                    'reopens' => 0,
                    'scraps' => 0,
                    'on' => 0,
                    'skew' => 0,
                    'with' => 0,
                ]),
                ...$event->instrument === '' ? [] : ['instrument' => $rules->instruments->named($event)],
                'doubt' => Doubt::of($event, $record),
                'code' => $facts->runs[$event->run]->code ?? $event->run,
                'who' => $people[$event->by] ?? $event->by,
                ...$event->kind === EventKind::Tested
                    ? [
                        'stage' => $event->stage()->value,
                        'overtaken' => $event->fingerprint !== '' && ! $today->stands($event->fingerprint),
                        'read' => new Map(self::read($event)),
                        'missing' => array_map(
                            static fn (Method $method): string => Methods::card($method)->words,
                            $reading === null ? [] : self::missing($known, $event->stage(), $reading),
                        ),
                        'findings' => array_map(PlanEncoder::finding(...), $checks->onResult($event, $facts->runs())),
                    ]
                    : [],
            ];
            $trials[] = $trial;
        }

        return $trials;
    }

    /** @return list<Method> of a composite, of what it was taken of: its signal, its mains or both */
    private static function missing(TestKnown $known, TestStage $stage, Reading $reading): array
    {
        $plan = $known->plan($stage);
        $missing = [];
        foreach ($plan->domains() as $domain) {
            $share = $plan->share($domain, $known->expectation, $reading);
            if (! $share->isEmpty() || count($plan->domains()) === 1) {
                array_push($missing, ...$plan->in($domain)->missing($known->expectation, $share));
            }
        }

        return $missing;
    }

    /** @return InstrumentWith */
    private static function instrument(Instrument $instrument): array
    {
        /** @var InstrumentWith */
        return [
            'methods' => array_map(static fn (Method $method): string => $method->value, $instrument->kind->methods()),
            ...TestingCodec::encodeInstrument($instrument),
        ];
    }

    /** @return array<int|string, array{read: int, declared: int}> by method */
    private static function read(Event $event): array
    {
        $read = [];
        $reading = $event->test()?->reading;
        if ($reading !== null && $reading->lights !== []) {
            $read[Methods::card(Method::Map)->words] = [
                'read' => count($reading->lights),
                'declared' => count($reading->declared),
            ];
        }
        if ($reading?->splits !== null) {
            $read[Methods::card(Method::Pairs)->words] = ['read' => 1, 'declared' => 0];
        }
        foreach ($reading->samples ?? [] as $sample) {
            $words = Methods::card($sample->question->method)->words;
            $read[$words] = [
                'read' => ($read[$words]['read'] ?? 0) + 1,
                'declared' => ($read[$words]['declared'] ?? 0) + ($sample->declared ? 1 : 0),
            ];
        }

        return $read;
    }

    /** @return ProbeAt */
    private static function probe(Probe $probe): array
    {
        return [
            'node' => $probe->node,
            'side' => $probe->side->value,
            'fitting' => $probe->fitting,
            'address' => $probe->address,
            'serves' => $probe->serves,
            'channel' => $probe->channel,
        ];
    }

    /** @return array<int|string, TestFitting> */
    private static function fittings(Assembly $assembly, Loaded $loaded): array
    {
        $fittings = [];
        $tags = self::tags($assembly, $loaded);
        foreach ($assembly->fittings as $id) {
            $fitting = $loaded->installation->fittings()[$id] ?? null;
            if ($fitting !== null) {
                $fittings[$id] = [
                    'label' => $fitting->label,
                    'tag' => $tags[$id] ?? '',
                    'location' => $loaded->installation->locationName($fitting->location),
                    'drawing' => ConnectorResource::of($fitting, $loaded->installation->catalogue),
                ];
            }
        }

        return $fittings;
    }

    /**
     * What tells the fittings of one end apart: the leg's label.
     *
     * @return array<int|string, string> by fitting
     */
    private static function tags(Assembly $assembly, Loaded $loaded): array
    {
        $tags = $landed = [];
        foreach ($assembly->runs as $id) {
            $run = $loaded->installation->runs()[$id];
            foreach ([$run->a, $run->b] as $end) {
                foreach (count($end->legs) > 1 ? $end->legs : [] as $leg) {
                    $tags[$leg->landing->fitting ?? ''] = $leg->label;
                }
                foreach ($end->legs as $leg) {
                    $landed[$leg->landing->fitting ?? ''] = true;
                }
            }
        }
        // What no run ends in, as a panel's second output, goes by its own name.
        foreach ($assembly->fittings as $fitting) {
            if (! isset($landed[$fitting])) {
                $tags[$fitting] = str_replace(' ', '-', $loaded->installation->fittings()[$fitting]->label ?? $fitting);
            }
        }

        return $tags;
    }

    /** @return list<string> */
    private static function cautions(Expectation $expectation): array
    {
        return $expectation->setup->makeup->mains
            ? [
                'Mains: disconnect and prove dead at both ends before you touch a contact.',
                'Protective earth, insulation and polarity are proven in this order by a licensed person, under '.
                'local code, before it is energised.',
            ]
            : [];
    }
}
