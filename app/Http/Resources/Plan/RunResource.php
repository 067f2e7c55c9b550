<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Changes\RunWritten;
use App\Contract\Answer;
use App\Contract\FileParts;
use App\Formats\RunLine;
use App\Http\Resources\Ends\BareEndResource;
use App\Http\Resources\Ends\ReachResource;
use App\Http\Resources\Given\ConnectorResource;
use App\Planning\Loaded;
use Sartal\Core\Ends\Labelling\Label;
use Sartal\Core\Ends\Pinout\Unused;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Element;
use Sartal\Core\Given\Catalogue\SignalJoins;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Carriage;
use Sartal\Core\Given\Installation\PortRef;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Topology;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Given\Schools\LabelTurn;
use Sartal\Core\Later\Handover\AssemblyFacts;
use Sartal\Core\Later\Handover\AssemblyStanding;
use Sartal\Core\Later\Handover\Standings;
use Sartal\Core\Plan\Checks\Instruments;
use Sartal\Core\Proof\Record\Doubt;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * Everything about one run: its line, its sum, both ends as they are made, labels and history.
 *
 * @phpstan-import-type BeadShown from PlanEncoder
 * @phpstan-import-type WorkedOut from PlanEncoder
 * @phpstan-import-type LeftBare from BareEndResource
 * @phpstan-import-type Reach from ReachResource
 * @phpstan-import-type LabelText from PlanEncoder
 * @phpstan-import-type FileDemand from FileParts
 * @phpstan-import-type Drawing from ConnectorResource
 * @phpstan-import-type ShownFinding from ScheduleResource
 *
 * @phpstan-type RunPage array{
 *     id: string,
 *     version: int,
 *     code: string,
 *     family: string,
 *     cable: string,
 *     build: value-of<Build>,
 *     loom: string,
 *     from: string,
 *     to: string,
 *     endA: string,
 *     endB: string,
 *     signals: list<string>,
 *     way: list<string>,
 *     tailA: string,
 *     tailB: string,
 *     note: string,
 *     cut: string,
 *     strand: list<BeadShown>,
 *     withdrawn: bool,
 *     who: list<string>,
 *     findings: list<array{severity: value-of<Severity>, words: string, remedy: string}>,
 *     line: array<string, string>,
 *     basis: list<string>,
 *     assembly: array{id: string, runs: list<string>},
 *     circuits: list<RunCircuit>,
 *     worked: WorkedOut,
 *     pinned: bool,
 *     reach: list<Reach>,
 *     ends: list<array{
 *         side: value-of<Side>,
 *         location: string,
 *         bare: LeftBare|null,
 *         fittings: list<RunFitting>,
 *         joints: list<RunJoint>,
 *         unused: list<array{
 *             conductor: string,
 *             element: string,
 *             core: string,
 *             colour: string,
 *             reason: string,
 *         }>,
 *         leftOut: list<array{note: string, who: string, at: string}>,
 *         pictures: list<array{picture: string, who: string, at: string}>,
 *     }>,
 *     labels: list<LabelText>,
 *     history: list<HistoryEvent>,
 * }
 * @phpstan-type EndMade array{
 *     leftOut: list<array{note: string, who: string, at: string}>,
 *     pictures: list<array{picture: string, who: string, at: string}>,
 * }
 * @phpstan-type RunCircuit array{
 *     id: string,
 *     name: string,
 *     signal: string,
 *     version: int,
 *     topology: value-of<Topology>,
 *     from: string,
 *     phantom: string,
 *     terminator: string,
 *     demand?: FileDemand,
 *     signalName: string,
 *     joins: value-of<SignalJoins>|null,
 *     takesPhantom: bool,
 *     asks: string,
 *     fittings: list<array{id: string, label: string}>,
 * }
 * @phpstan-type HistoryEvent array{
 *     id: string,
 *     kind: value-of<EventKind>,
 *     run: string,
 *     side?: value-of<Side>,
 *     by: string,
 *     who: string,
 *     at: string,
 *     received?: string,
 *     instrument?: string,
 *     note?: string,
 *     verdict?: value-of<Verdict>,
 *     doubt: string,
 *     overtaken: bool,
 *     ...
 * }
 * @phpstan-type RunFitting array{
 *     id: string,
 *     label: string,
 *     leg: string,
 *     length: string,
 *     plan: string,
 *     source: string,
 *     drawing: Drawing|null,
 *     mate: string,
 * }
 * @phpstan-type RunJoint array{
 *     conductor: string,
 *     element: string,
 *     core: string,
 *     colour: string,
 *     leg: string,
 *     fitting: string,
 *     address: string,
 *     function: string,
 *     channel: string,
 *     circuit: string,
 *     exception: string,
 * }
 */
final class RunResource
{
    /** @return RunPage */
    public static function of(Run $run, Loaded $loaded): array
    {
        $plan = $loaded->plan();
        $assembly = $plan->assemblies[$plan->assemblyOf[$run->id]];
        $facts = Standings::factsOn($assembly, $loaded->installation, $plan);
        $record = $loaded->record->closely($assembly->runs);

        return self::standing(
            self::decided($run, $loaded),
            $facts,
            Standings::in($loaded->installation)->of($facts, $record),
            $record,
            $loaded->instruments(),
            $loaded->people,
        );
    }

    /** @return RunPage what follows from decisions: nobody has recorded anything */
    public static function decided(Run $run, Loaded $loaded): array
    {
        $plan = $loaded->plan();
        $runPlan = $plan->runs[$run->id];
        $cable = $loaded->installation->catalogue->cables()[$run->cable] ?? null;
        $assembly = $plan->assemblies[$plan->assemblyOf[$run->id]];

        return [
            ...ScheduleResource::decidedRow($run, $loaded),
            'line' => RunLine::describe($run, $loaded->installation),
            'basis' => [],
            'assembly' => [
                'id' => $assembly->id,
                'runs' => array_map(
                    static fn (string $id): string => $loaded->installation->runs()[$id]->code,
                    $assembly->runs,
                ),
            ],
            'circuits' => self::circuits($run, $loaded),
            'worked' => PlanEncoder::worked($runPlan->cut),
            'pinned' => $run->ways !== [],
            'reach' => ReachResource::of(
                $loaded,
                array_map(static fn (Carriage $carriage): string => $carriage->circuit, $run->carries),
            ),
            'ends' => array_map(
                static fn (Side $side): array => [
                    'side' => $side->value,
                    'location' => $loaded->installation->locationName($run->end($side)->location),
                    'bare' => BareEndResource::of($run->end($side), $cable),
                    'fittings' => self::fittings($run, $side, $loaded),
                    'joints' => array_map(
                        static fn (Joint $joint): array => self::joint($joint, $run, $cable, $loaded),
                        $runPlan->end($side)->joints,
                    ),
                    'unused' => array_map(
                        static fn (Unused $unused): array => [
                            ...self::conductor($unused->conductor, $cable),
                            'reason' => $unused->reason,
                        ],
                        $runPlan->end($side)->unused,
                    ),
                    'leftOut' => [],
                    'pictures' => [],
                ],
                Side::cases(),
            ),
            'labels' => array_map(
                static fn (Label $label): array => PlanEncoder::label(
                    $label,
                    $plan->rotations(),
                    $loaded->installation->rules()->on(LabelTurn::class),
                ),
                $runPlan->labels,
            ),
            'history' => [],
        ];
    }

    /**
     * @param  RunPage  $run
     * @param  Record  $record  of its assembly, with every single step
     * @param  array<int|string, string>  $people  what the record calls people by → name
     * @return RunPage
     */
    public static function standing(
        array $run,
        AssemblyFacts $facts,
        AssemblyStanding $standing,
        Record $record,
        Instruments $instruments,
        array $people,
    ): array {
        $on = array_values(
            array_filter($standing->results, static fn (Finding $of): bool => $of->subject->id === $run['id']),
        );
        $state = $standing->runs[$run['id']];

        return [
            ...$run,
            ...ScheduleResource::with($run, $state->strand, $state->hands, $on, $people),
            'basis' => $standing->basis,
            'ends' => array_map(
                static fn (array $end): array => [
                    ...$end,
                    ...self::made($run['id'], Side::from($end['side']), $people, $record),
                ],
                $run['ends'],
            ),
            'history' => array_map(
                static fn (Event $event): array => self::event($event, $facts, $record, $instruments, $people),
                array_reverse(self::events($run['id'], $facts->id, $record)),
            ),
        ];
    }

    /**
     * What the bench has to say of an end: what was left out of it, and its photos.
     *
     * @param  array<int|string, string>  $people
     * @return EndMade
     */
    private static function made(string $run, Side $side, array $people, Record $record): array
    {
        $out = $pictures = [];
        foreach ($record->of($run) as $event) {
            if ($event->step === '' || $event->side !== $side) {
                continue;
            }
            if ($event->kind === EventKind::Skipped) {
                $out[$event->step] = [
                    'note' => $event->note,
                    'who' => $people[$event->by] ?? $event->by,
                    'at' => $event->at,
                ];
            } elseif ($event->kind->isDone() || $event->kind === EventKind::TakenBack) {
                unset($out[$event->step]);
            } elseif ($event->kind === EventKind::Pictured) {
                $pictures[] = [
                    'picture' => $event->picture(),
                    'who' => $people[$event->by] ?? $event->by,
                    'at' => $event->at,
                ];
            }
        }

        return ['leftOut' => array_values($out), 'pictures' => $pictures];
    }

    /**
     * The run as it is since it was written.
     *
     * @return Answer<RunPage>
     */
    public static function written(RunWritten $made, int $status = 200): Answer
    {
        $now = $made->written->now();

        return new Answer(self::of($now->installation->theRun($made->run), $now), $status);
    }

    /**
     * What a planner can decide about each circuit of the run.
     *
     * @return list<RunCircuit>
     */
    private static function circuits(Run $run, Loaded $loaded): array
    {
        $in = $loaded->installation;
        $circuits = [];
        $ids = array_map(static fn (Carriage $carriage): string => $carriage->circuit, $run->carries);
        $versions = $loaded->sharedVersions(DecisionKind::Circuit, $ids);
        $fittings = self::fittingsOf(array_flip($ids), $loaded);
        foreach ($run->carries as $carriage) {
            $circuit = $in->circuits()[$carriage->circuit] ?? null;
            $signal = $in->catalogue->signals()[$circuit->signal ?? ''] ?? null;
            if ($circuit !== null) {
                /** @var RunCircuit */
                $shown = [
                    ...FileEncoder::circuit($circuit),
                    'version' => $versions[$circuit->id] ?? 1,
                    'topology' => $circuit->topology->value,
                    'from' => $circuit->from,
                    'phantom' => $circuit->phantom,
                    'terminator' => $circuit->terminator,
                    'signalName' => $signal->name ?? $circuit->signal,
                    'joins' => $signal?->joins->value,
                    'takesPhantom' => $signal->phantom ?? false,
                    'asks' => $signal?->reach === null
                            ? ''
                            : ($signal->reach->kilohertz !== null && $signal->reach->kind->value === 'loss'
                                ? 'radio'
                                : $signal->reach->kind->value),
                    'fittings' => $fittings[$circuit->id] ?? [],
                ];
                $circuits[] = $shown;
            }
        }

        return $circuits;
    }

    /**
     * @param  array<int|string, mixed>  $circuits  by id
     * @return array<int|string, list<array{id: string, label: string}>> circuit → fittings that it comes by, and ports
     *     that these are plugged into
     */
    private static function fittingsOf(array $circuits, Loaded $loaded): array
    {
        $in = $loaded->installation;
        $found = [];
        foreach ($in->runs() as $run) {
            foreach ($run->carries as $carriage) {
                foreach (isset($circuits[$carriage->circuit]) ? [...$run->a->legs, ...$run->b->legs] : [] as $leg) {
                    if ($leg->landing !== null && isset($leg->landing->channels[$carriage->element])) {
                        $found[$carriage->circuit][$leg->landing->fitting] =
                            $in->fitting($leg->landing->fitting)->label ?? $leg->landing->fitting;
                    }
                }
            }
        }
        foreach ($in->matings() as $mating) {
            foreach ($in->port($mating->with) === null ? [] : array_keys($found) as $circuit) {
                if (isset($found[$circuit][$mating->fitting])) {
                    $found[$circuit][$mating->with] = self::mate($mating->fitting, $loaded);
                }
            }
        }

        return array_map(
            static fn (array $of): array => array_map(
                static fn (string $id, string $label): array => ['id' => $id, 'label' => $label],
                Names::from($of),
                array_values($of),
            ),
            $found,
        );
    }

    /** @return list<Event> the run's own, and the tests of its assembly */
    private static function events(string $run, string $assembly, Record $record): array
    {
        $all = $record->of($run);
        if ($assembly !== $run) {
            array_push($all, ...$record->of($assembly));
        }
        $known = array_column($all, null, 'id');
        foreach ($record->covering($run) as $test) {
            array_push($all, ...isset($known[$test->id]) ? [] : [$test]);
        }

        // Single steps fill a book of their own, at the bench; here stands what they came to and what was said.
        return array_values(
            array_filter(
                $all,
                static fn (Event $event): bool => $event->step === '' ||
                    ! (
                        $event->kind->isDone() ||
                        in_array($event->kind, [EventKind::TakenBack, EventKind::Paused, EventKind::Resumed], true)
                    ),
            ),
        );
    }

    /**
     * @param  array<int|string, string>  $people
     * @return HistoryEvent
     */
    private static function event(
        Event $event,
        AssemblyFacts $facts,
        Record $record,
        Instruments $instruments,
        array $people,
    ): array {
        $today = ($facts->runs[$event->run] ?? null)?->today;
        $relied = $today?->for($event->kind, $event->side) ?? '';
        $isWhole = $event->step === '' && $event->fingerprint !== '';

        /** @var HistoryEvent */
        return [
            ...array_diff_key(EventCodec::encode($event), [
                'reading' => 0,
                'fingerprint' => 0,
                'on' => 0,
                'skew' => 0,
                'with' => 0,
            ]),
            'doubt' => Doubt::of($event, $record),
            ...$event->instrument === '' ? [] : ['instrument' => $instruments->named($event)],
            'who' => $people[$event->by] ?? $event->by,
            'overtaken' => $isWhole && $relied !== '' && $today?->stand($event) === false,
        ];
    }

    /** @return list<RunFitting> */
    private static function fittings(Run $run, Side $side, Loaded $loaded): array
    {
        $fittings = [];
        $tails = $loaded->plan()->runs[$run->id]->lay->tails[$side->value] ?? [];
        foreach ($run->end($side)->legs as $leg) {
            $fitting = $loaded->installation->fittings()[$leg->landing->fitting ?? ''] ?? null;
            if ($fitting === null) {
                continue;
            }
            $plan = $loaded->installation->catalogue->plans()[$leg->landing->plan ?? ''] ?? null;
            $fittings[] = [
                'id' => $fitting->id,
                'label' => $fitting->label,
                'leg' => $leg->label,
                'length' => (isset($tails[$leg->id]) ? $tails[$leg->id]->result : $leg->length)->canonical(),
                'plan' => $plan->name ?? '',
                'source' => $plan->source ?? '',
                'drawing' => ConnectorResource::of($fitting, $loaded->installation->catalogue),
                'mate' => self::mate($fitting->id, $loaded),
            ];
        }

        return $fittings;
    }

    private static function mate(string $fitting, Loaded $loaded): string
    {
        foreach ($loaded->installation->matings() as $mating) {
            if ($mating->fitting === $fitting || $mating->with === $fitting) {
                $other = $mating->fitting === $fitting ? $mating->with : $mating->fitting;
                $at = PortRef::from($other);
                foreach ($loaded->installation->equipment()[$at->device]->ports ?? [] as $port) {
                    if ($port->id === $at->port) {
                        return $loaded->installation->equipment()[$at->device]->name.', '.$port->name;
                    }
                }

                return $loaded->installation->fittings()[$other]->label ?? $other;
            }
        }

        return '';
    }

    /** @return RunJoint */
    private static function joint(Joint $joint, Run $run, ?CableType $cable, Loaded $loaded): array
    {
        $leg = '';
        foreach ($run->end($joint->side)->legs as $each) {
            $leg = $each->id === $joint->leg ? $each->label : $leg;
        }

        return [
            ...self::conductor($joint->conductor, $cable),
            'leg' => $leg,
            'fitting' => Node::fitting($joint->to) ?? '',
            'address' => $joint->address(),
            'function' => $joint->function,
            'channel' => $joint->channel,
            'circuit' => $loaded->installation->circuits()[$joint->circuit]->name ?? '',
            'exception' => $joint->byHand,
        ];
    }

    /** @return array{conductor: string, element: string, core: string, colour: string} */
    private static function conductor(string $path, ?CableType $cable): array
    {
        $element = $cable?->element($path);
        $parent = $cable?->element((string) substr($path, 0, (int) strrpos($path, '/')));

        return [
            'conductor' => $path,
            'element' => $parent instanceof Element ? $parent->label : '',
            'core' => $element->label ?? $path,
            'colour' => $element->colour ?? '',
        ];
    }
}
