<?php

declare(strict_types=1);

namespace App\Http\Resources\Work;

use App\Bench\Job;
use App\Contract\Map;
use App\Http\Resources\Given\ConnectorResource;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\Loaded;
use Closure;
use Sartal\Core\Ends\Making\Defect;
use Sartal\Core\Ends\Preparing\Block;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Work\Bench\BenchCore;
use Sartal\Core\Work\Bench\CutTo;
use Sartal\Core\Work\Bench\Disposition;
use Sartal\Core\Work\Bench\EndSheets;
use Sartal\Core\Work\Bench\Experience;
use Sartal\Core\Work\Bench\Flaw;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Prerequisite;
use Sartal\Core\Work\Bench\Step;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\TimeBook;

/**
 * What does not change while a job is worked: its steps, and the connectors that they are done at.
 *
 * @phpstan-import-type Drawing from ConnectorResource
 *
 * @phpstan-type JobPage array{
 *     assemblies: list<string>,
 *     runs: list<array{
 *         id: string,
 *         code: string,
 *         cable: string,
 *         from: string,
 *         to: string,
 *         loom: string,
 *     }>,
 *     steps: list<JobStep>,
 *     fittings: Map<JobFitting>,
 *     sheets: list<array{run: string, side: string}>,
 * }
 * @phpstan-type JobStep array{
 *     number: int,
 *     task: value-of<Task>,
 *     event: value-of<EventKind>,
 *     side: null|value-of<Side>,
 *     unforgiving: bool,
 *     skill: string|null,
 *     mains: bool,
 *     pieces: list<JobPiece>,
 *     flaws?: list<array{
 *         id: string,
 *         words: string,
 *         why: string,
 *         usual: value-of<Disposition>,
 *         seen?: SeenHere,
 *     }>,
 * }
 * @phpstan-type JobPiece array{
 *     id: string,
 *     run: string,
 *     place: string,
 *     words: string,
 *     detail?: string,
 *     fitting?: string,
 *     leg?: string,
 *     address?: string,
 *     at?: string,
 *     mark?: string,
 *     lies?: list<string>,
 *     picture?: array{run: string, side: value-of<Side>, leg: string, step: string},
 *     lengths?: list<array{length: string, most: string|null, for: string}>,
 *     tool?: string,
 *     check?: string,
 *     why?: string,
 *     cautions?: list<string>,
 *     cores?: list<array{
 *         run: string,
 *         conductor: string,
 *         colour: string,
 *         element: string,
 *         function: string,
 *         channel: string,
 *     }>,
 *     seconds: float,
 *     timed?: int,
 *     seen?: SeenHere,
 *     wait?: int,
 *     needs?: list<array{string, string}>,
 *     sizes?: array{over: float, bore: float|null, outer: float|null},
 * }
 * @phpstan-type SeenHere array{what: string, found: int, of: int}
 * @phpstan-type JobFitting array{
 *     label: string,
 *     drawing: Drawing|null,
 *     print: list<string>,
 *     mates: list<string>,
 *     blocks: list<array{number: int, channels: list<string>, colour: string, offset: string}>,
 * }
 */
final class JobResource
{
    /**
     * What follows from decisions is kept with the job: of a page that is opened again neither the installation nor its
     * plan is read. How long things take is the crew's, and changes with every record.
     *
     * @param  Closure(): Loaded  $loaded
     * @return JobPage
     */
    public static function kept(StoredInstallation $stored, Job $job, Closure $loaded, Experience $known): array
    {
        $page = Kept::once(
            $stored,
            'page of '.$job->keptAs,
            Kept::state('page of a job'),
            static fn (): array => self::of($job, $loaded(), new TimeBook()),
        );
        foreach ($page['steps'] as $i => $step) {
            $page['steps'][$i] = self::known($step, $job, $known);
        }

        return $page;
    }

    /**
     * @param  JobStep  $step
     * @return JobStep with what the crew knows of it
     */
    private static function known(array $step, Job $job, Experience $known): array
    {
        $pieces = [];
        foreach ($step['pieces'] as $piece) {
            $operation = $job->traveller->operations[$piece['id']];
            $piece['seconds'] = self::seconds($operation, $known->times);
            $timed = $known->timed($operation);
            $seen = $operation->task === Task::Inspect ? null : self::seen($known, $operation, $operation->catches);
            $pieces[] = [
                ...$piece,
                ...$timed === 0 ? [] : ['timed' => $timed],
                ...$seen === null ? [] : ['seen' => $seen],
            ];
        }
        $first = $job->traveller->operations[$pieces[0]['id'] ?? ''] ?? null;
        $flaws = [];
        foreach ($step['flaws'] ?? [] as $flaw) {
            $seen = $first === null ? null : self::seen($known, $first, $flaw['id']);
            $flaws[] = $seen === null ? $flaw : [...$flaw, 'seen' => $seen];
        }

        return [...$step, 'pieces' => $pieces, ...$flaws === [] ? [] : ['flaws' => $flaws]];
    }

    /** @return ?SeenHere null where it was never found */
    private static function seen(Experience $known, Operation $operation, string $defect): ?array
    {
        $seen = $operation->procedure === '' || $defect === ''
            ? null
            : $known->found($operation->procedure, $defect);

        return $seen === null || $seen[0] === 0 ? null : ['what' => $defect, 'found' => $seen[0], 'of' => $seen[1]];
    }

    /** @return JobPage */
    public static function of(Job $job, Loaded $loaded, TimeBook $times): array
    {
        $in = $loaded->installation;
        $runs = [];
        foreach ($job->runs() as $id) {
            $run = $in->runs()[$id];
            $runs[] = [
                'id' => $id,
                'code' => $run->code,
                'cable' => $in->catalogue->cables()[$run->cable]->name ?? $run->cable,
                'from' => $in->locationName($run->a->location),
                'to' => $in->locationName($run->b->location),
                'loom' => $in->looms()[$run->loom ?? '']->name ?? '',
            ];
        }

        return [
            'assemblies' => $job->assemblies,
            'runs' => $runs,
            'steps' => array_map(
                static fn (Step $step): array => self::step($step, $times, $loaded),
                $job->traveller->steps,
            ),
            'fittings' => new Map(self::fittings($job, $loaded)),
            'sheets' => self::sheets($job),
        ];
    }

    /** @return JobStep */
    private static function step(Step $step, TimeBook $times, Loaded $loaded): array
    {
        $first = $step->first();

        return [
            'number' => $step->number,
            'task' => $first->task->value,
            'event' => $first->task->event()->value,
            'side' => $first->side?->value,
            'unforgiving' => $first->isUnforgiving(),
            'skill' => $first->skill?->words(),
            'mains' => $first->skill?->value === 'mains',
            'pieces' => array_map(
                static fn (Operation $operation): array => self::piece($operation, $times, $loaded),
                $step->operations,
            ),
            ...$first->task === Task::Inspect && $first->defects !== []
                ? ['flaws' => array_map(self::defect(...), $first->defects)]
                : [],
            ...$first->task === Task::Inspect && $first->defects === []
                ? [
                    'flaws' => array_map(
                        static fn (Flaw $flaw): array => [
                            'id' => $flaw->value,
                            'words' => $flaw->words(),
                            'why' => $flaw->why(),
                            'usual' => $flaw->usual()->value,
                        ],
                        Flaw::at(
                            $first->joining,
                            $first->skill?->value === 'mains' ? HazardDomain::Mains : HazardDomain::Signal,
                        ),
                    ),
                ]
                : [],
        ];
    }

    /** @return array{id: string, words: string, why: string, usual: value-of<Disposition>} */
    private static function defect(Defect $defect): array
    {
        return [
            'id' => $defect->name,
            'words' => ucfirst($defect->name),
            'why' => ucfirst($defect->sought).'.',
            'usual' => ($defect->reopening->cutsBack ? Disposition::Remake : Disposition::Rework)->value,
        ];
    }

    /** @return JobPiece */
    private static function piece(Operation $operation, TimeBook $times, Loaded $loaded): array
    {
        /** @var JobPiece */
        return array_filter(
            [
                'id' => $operation->id,
                'run' => $operation->run,
                'place' => $operation->place,
                'words' => $operation->words,
                'detail' => $operation->detail,
                'fitting' => $operation->fitting,
                'leg' => $operation->leg,
                'address' => $operation->address,
                'at' => $operation->at?->canonical(),
                'mark' => $operation->mark,
                'lies' => $operation->lies,
                'picture' => self::picture($operation, $loaded),
                'lengths' => array_map(
                    static fn (CutTo $cut): array => [
                        'length' => $cut->length->canonical(),
                        'most' => $cut->most?->canonical(),
                        'for' => $cut->for,
                    ],
                    $operation->lengths,
                ),
                'tool' => $operation->tool,
                'check' => $operation->check,
                'why' => $operation->why,
                'cautions' => $operation->cautions,
                'cores' => array_map(
                    static fn (BenchCore $core): array => [
                        'run' => $core->run,
                        'conductor' => $core->conductor,
                        'colour' => $core->colour,
                        'element' => $core->element,
                        'function' => $core->function,
                        'channel' => $core->channel,
                    ],
                    $operation->cores,
                ),
                'seconds' => self::seconds($operation, $times),
                'wait' => $operation->wait,
                'needs' => array_map(
                    static fn (Prerequisite $need): array => [$need->before, $need->why],
                    $operation->needs,
                ),
                ...self::sizes($operation, $loaded),
            ],
            static fn (mixed $value): bool => $value !== '' && $value !== [] && $value !== null && $value !== 0,
        );
    }

    /** @return ?array{run: string, side: value-of<Side>, leg: string, step: string} */
    private static function picture(Operation $operation, Loaded $loaded): ?array
    {
        if ($operation->stage === '' || $operation->side === null) {
            return null;
        }
        $leg = $operation->leg;
        $end = $loaded->installation->runs()[$operation->run]->end($operation->side);
        foreach ($leg === '' ? $end->legs : [] as $each) {
            // What is done once for all that goes into a connector is drawn at the first of it.
            $leg = $leg === '' && $each->landing?->fitting === $operation->fitting ? $each->id : $leg;
        }

        return [
            'run' => $operation->run,
            'side' => $operation->side->value,
            'leg' => $leg,
            'step' => $operation->stage,
        ];
    }

    private static function seconds(Operation $operation, TimeBook $times): float
    {
        return round($times->of($operation) * 60, 1);
    }

    /**
     * Diameters of what slides on and of what it slides over, for its picture.
     *
     * @return array<int|string, array<int|string, ?float>>
     */
    private static function sizes(Operation $operation, Loaded $loaded): array
    {
        $part =
            $operation->task === Task::SlideOn
                ? $loaded->installation->catalogue->parts()[$operation->part] ?? null
                : null;
        $run = $loaded->installation->runs()[$operation->run];
        $cable = $loaded->installation->catalogue->cables()[$run->cable] ?? null;
        if ($part === null || $cable === null) {
            return [];
        }
        $over = $cable->outerDiameter;
        foreach ($operation->side === null ? [] : $run->end($operation->side)->legs as $leg) {
            if ($leg->id === $operation->leg && count($leg->elements) === 1) {
                $over = $cable->diameter($leg->elements[0]) ?? $over;
            }
        }

        return [
            'sizes' => [
                'over' => $over->inMillimetres(),
                'bore' => $part->bore()?->inMillimetres(),
                'outer' => $part->outer?->inMillimetres(),
            ],
        ];
    }

    /** @return array<int|string, JobFitting> */
    private static function fittings(Job $job, Loaded $loaded): array
    {
        $fittings = [];
        $sheets = new EndSheets($loaded->installation);
        foreach ($job->runs() as $id) {
            foreach (Side::cases() as $side) {
                $sheet = $sheets->of($loaded->installation->runs()[$id], $side, $loaded->plan()->runs[$id]);
                foreach ($sheet->fittings ?? [] as $fitting) {
                    $fittings[$fitting->fitting->id] ??= [
                        'label' => $fitting->fitting->label,
                        'drawing' => ConnectorResource::of($fitting->fitting, $loaded->installation->catalogue),
                        'print' => $fitting->print,
                        'mates' => $fitting->mates,
                        'blocks' => array_map(
                            static fn (Block $block): array => [
                                'number' => $block->number,
                                'channels' => $block->channels,
                                'colour' => $block->colour,
                                'offset' => $block->offset->canonical(),
                            ],
                            $fitting->blocks,
                        ),
                    ];
                }
            }
        }

        return $fittings;
    }

    /** @return list<array{run: string, side: string}> ends that have a printed sheet */
    private static function sheets(Job $job): array
    {
        $ends = [];
        foreach ($job->traveller->operations as $operation) {
            if ($operation->side !== null) {
                $ends[$operation->run.$operation->side->value] = [
                    'run' => $operation->run,
                    'side' => $operation->side->value,
                ];
            }
        }

        return array_values($ends);
    }
}
