<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use Illuminate\Support\Facades\Cache;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Bench\Task;

/**
 * Everything that is to be made, with how far it has come. Worked out once as long as nothing is decided or recorded.
 *
 * @phpstan-import-type BeadShown from PlanEncoder
 *
 * @phpstan-type QueueLine array{
 *     id: string,
 *     codes: list<string>,
 *     cable: string,
 *     from: string,
 *     to: string,
 *     loom: string,
 *     loomId: string,
 *     build: value-of<Build>,
 *     settled: int,
 *     count: int,
 *     minutes: float,
 *     done: bool,
 *     next: string,
 *     where: string,
 *     begun: bool,
 *     hold: string|null,
 *     questions: int,
 *     skills: list<value-of<Skill>>,
 *     alike: string,
 *     strand: list<BeadShown>,
 * }
 */
final readonly class Queue
{
    public function __construct(private Jobs $jobs, private Times $times)
    {
    }

    /** @return list<QueueLine> */
    public function of(StoredInstallation $stored): array
    {
        $last = $stored->events()->toBase()->reorder()->orderByDesc('id')->value('uuid');
        $key = sprintf('queue.%s.%s.%s.%s', CodeEdition::id(), $stored->mark(), $stored->edition(), $last);

        /** @var list<QueueLine> */
        return Cache::store('file')->remember($key, 3600, fn (): array => $this->work($stored));
    }

    /** @return list<QueueLine> */
    private function work(StoredInstallation $stored): array
    {
        $loaded = $this->jobs->loaded($stored);
        $in = $loaded->installation;
        $times = $this->times->of($stored);
        $lines = [];
        foreach ($loaded->plan()->assemblies as $assembly) {
            $job = $this->jobs->of($stored, [$assembly->id]);
            if ($job === null || $job->traveller->operations === []) {
                continue;
            }
            $events = $loaded->record->together($assembly->runs);
            $progress = new Progress($job->traveller->operations, $events);
            $left = array_filter(
                $job->traveller->operations,
                static fn (Operation $operation): bool => ! $progress->of($operation->id)->status->isSettled(),
            );
            $bench = array_filter($left, static fn (Operation $operation): bool => $operation->task !== Task::Test);
            $next = $progress->open()[0] ?? null;
            $first = $in->runs()[$assembly->id];
            $lines[] = [
                'id' => $assembly->id,
                'codes' => array_map(static fn (string $run): string => $in->runs()[$run]->code, $assembly->runs),
                'cable' => $in->catalogue->cables()[$first->cable]->name ?? $first->cable,
                'from' => $in->locationName($first->a->location),
                'to' => $in->locationName($first->b->location),
                'loom' => $in->looms()[$first->loom ?? '']->name ?? '',
                'loomId' => $first->loom ?? '',
                'build' => $first->build->value,
                'settled' => $progress->settled(),
                'count' => count($job->traveller->operations),
                'minutes' => array_sum(array_map($times->of(...), $bench)),
                'done' => $bench === [],
                'next' => $next === null ? '' : $next->words,
                'where' => $next === null ? '' : $next->place,
                'begun' => $progress->settled() > 0,
                'hold' => $progress->holds() === [] ? null : $progress->holds()[0]->note,
                'questions' => count(
                    array_filter($progress->questions(), static fn (array $pair): bool => $pair['answer'] === null),
                ),
                'skills' => array_values(
                    array_unique(
                        array_filter(
                            array_map(static fn (Operation $operation): ?string => $operation->skill?->value, $left),
                        ),
                    ),
                ),
                'alike' => self::likeness($job),
                'strand' => PlanEncoder::strand($loaded->plan()->strands[$assembly->id]),
            ];
        }

        return $lines;
    }

    /** Made by the same steps: such jobs can be worked as a batch. */
    private static function likeness(Job $job): string
    {
        $steps = [];
        foreach ($job->traveller->steps as $step) {
            $first = $step->first();
            if (! in_array($first->task, [Task::Mark, Task::Label, Task::Cover, Task::Pull], true)) {
                $steps[] = [
                    $first->like,
                    $step->count(),
                    $first->at !== null && $first->task !== Task::Cut ? $first->at->canonical() : '',
                ];
            }
        }

        return hash('xxh64', serialize($steps));
    }
}
