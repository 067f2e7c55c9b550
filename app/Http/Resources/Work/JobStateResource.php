<?php

declare(strict_types=1);

namespace App\Http\Resources\Work;

use App\Bench\Job;
use App\Contract\Map;
use Sartal\Core\Proof\Record\DerivedId;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Work\Bench\Dispute;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Status;

/**
 * What changes while a job is worked: where every operation stands, and what was said about it.
 *
 * @phpstan-type JobState array{
 *     cursor: int,
 *     since: string,
 *     standings: Map<StepStanding>,
 *     conflicts: list<BenchConflict>,
 *     settled: int,
 *     holds: list<Said>,
 *     questions: list<array{
 *         id: string,
 *         step: string,
 *         note: string,
 *         by: string,
 *         at: string,
 *         own: string,
 *         answer: Said|null,
 *     }>,
 *     pictures: list<array{
 *         id: string,
 *         step: string,
 *         note: string,
 *         by: string,
 *         at: string,
 *         own: string,
 *         picture: string,
 *     }>,
 *     reworks: list<array{
 *         id: string,
 *         step: string,
 *         note: string,
 *         by: string,
 *         at: string,
 *         own: string,
 *         reopens: int,
 *         scraps: Map<int>,
 *     }>,
 * }
 * @phpstan-type BenchConflict array{
 *     step: string,
 *     run: string,
 *     kind: value-of<EventKind>,
 *     place: string,
 *     what: string,
 *     dispute: value-of<Dispute>,
 *     words: string,
 *     said: list<array{
 *         id: string,
 *         kind: value-of<EventKind>,
 *         by: string,
 *         at: string,
 *         note: string,
 *     }>,
 * }
 * @phpstan-type Said array{id: string, step: string, note: string, by: string, at: string, own: string}
 * @phpstan-type StepStanding array{
 *     on: list<string>,
 *     status: value-of<Status>,
 *     by?: string,
 *     at?: string,
 *     note?: string,
 *     flag?: string,
 * }
 */
final class JobStateResource
{
    /** A name space of our own (RFC 9562, section 5.5). */
    private const JOBS = 'a5b3c6c2-6a5d-4b57-9d0b-0d3b8a3f5e21';

    /**
     * @param  list<Event>  $events
     * @param  array<int|string, string>  $people  what the record calls people by → name
     * @return JobState
     */
    public static function of(Job $job, array $events, int $cursor, array $people): array
    {
        $progress = new Progress($job->traveller->operations, $events);
        $standings = [];
        foreach ($job->traveller->operations as $id => $operation) {
            $standing = $progress->of((string) $id);
            if ($standing->by !== null || $standing->flagged !== null || $standing->status === Status::Found) {
                /** @var StepStanding */
                $shown = [
                    // What is recorded here next, or on what needs this, is done on these.
                    'on' => $standing->madeBy(),
                    ...array_filter(
                        [
                            'status' => $standing->status->value,
                            'by' => $standing->by === null ? null : $people[$standing->by->by] ?? $standing->by->by,
                            'at' => $standing->by?->at,
                            'note' => $standing->by?->note,
                            'flag' => $standing->flagged?->flag()?->value,
                        ],
                        static fn (?string $value): bool => $value !== null && $value !== '',
                    ),
                ];
                $standings[$id] = $shown;
            }
        }
        $said = static fn (Event $event): array => self::said($event, $people);

        return [
            'cursor' => $cursor,
            // What every record of the job is done on, so that the first of two says something as well.
            'since' => DerivedId::of(self::JOBS, $job->assemblies[0]),
            'standings' => new Map($standings),
            'conflicts' => self::conflicts($job, $progress, $people),
            'settled' => $progress->settled(),
            'holds' => array_map($said, $progress->holds()),
            'questions' => array_map(
                static fn (array $pair): array => [
                    ...$said($pair['question']),
                    'answer' => $pair['answer'] === null ? null : $said($pair['answer']),
                ],
                $progress->questions(),
            ),
            'pictures' => array_map(
                static fn (Event $event): array => [...$said($event), 'picture' => $event->picture()],
                $progress->pictures(),
            ),
            'reworks' => array_map(
                static fn (Event $event): array => [
                    ...$said($event),
                    'reopens' => count($event->rework()->reopens ?? []),
                    'scraps' => new Map($event->rework()->scraps ?? []),
                ],
                $progress->reworks(),
            ),
        ];
    }

    /**
     * @param  array<int|string, string>  $people
     * @return list<BenchConflict>
     */
    private static function conflicts(Job $job, Progress $progress, array $people): array
    {
        $all = [];
        foreach ($progress->conflicts() as $id => $conflicts) {
            $operation = $job->operation((string) $id);
            if ($operation === null) {
                continue;
            }
            foreach ($conflicts as $conflict) {
                $all[] = [
                    'step' => (string) $id,
                    'run' => $operation->run,
                    'kind' => $operation->task->event()->value,
                    'place' => $operation->place,
                    'what' => $operation->words,
                    'dispute' => $conflict->dispute->value,
                    'words' => $conflict->dispute->words(),
                    'said' => array_map(
                        static fn (Event $event): array => [
                            'id' => $event->id,
                            'kind' => $event->kind->value,
                            'by' => $people[$event->by] ?? $event->by,
                            'at' => $event->at,
                            'note' => $event->note,
                        ],
                        [$conflict->stands, $conflict->other],
                    ),
                ];
            }
        }

        return $all;
    }

    /**
     * @param  array<int|string, string>  $people
     * @return Said
     */
    private static function said(Event $event, array $people): array
    {
        return [
            'id' => $event->id,
            'step' => $event->step,
            'note' => $event->note,
            'by' => $people[$event->by] ?? $event->by,
            'at' => $event->at,
            'own' => $event->by,
        ];
    }
}
