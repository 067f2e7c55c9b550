<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\TimeBook;
use Sartal\Core\Work\Forecasting\Chore;

/** What is left to do at the bench, in pieces that one person does in one go. */
final readonly class Workload
{
    public function __construct(private Jobs $jobs, private Given $given)
    {
    }

    /** @return list<Chore> */
    public function of(StoredInstallation $stored, TimeBook $times): array
    {
        $loaded = $this->jobs->loaded($stored);
        $short = array_keys($loaded->installation->workshop()->tools);
        $given = $this->given->all($stored, $loaded->plan()->assemblyOf);
        $chores = [];
        foreach ($loaded->plan()->assemblies as $assembly) {
            $job = $this->jobs->of($stored, [$assembly->id]);
            if ($job === null) {
                continue;
            }
            $events = $loaded->record->together($assembly->runs);
            $progress = new Progress($job->traveller->operations, $events);
            if ($progress->holds() !== []) {
                continue;
            }
            $first = $loaded->installation->runs()[$assembly->id];
            $only = $given['assembly'][$assembly->id] ?? ($given['loom'][$first->loom ?? ''] ?? []);
            array_push(
                $chores,
                ...$this->chain(
                    $job,
                    $progress,
                    $times,
                    array_map(strval(...), $short),
                    $only,
                    $given['skill'] ?? [],
                    $first,
                ),
            );
        }

        return $chores;
    }

    /**
     * One after the other, as the traveller has them; as long as skill and tool stay the same it is one chore.
     *
     * @param  list<string>  $short
     * @param  list<string>  $only
     * @param  array<int|string, list<string>>  $bySkill
     * @return list<Chore>
     */
    private function chain(
        Job $job,
        Progress $progress,
        TimeBook $times,
        array $short,
        array $only,
        array $bySkill,
        Run $run,
    ): array {
        $chores = [];
        /** @var list<Operation> $held */
        $held = [];
        $close = function () use (&$held, &$chores, $times, $short, $only, $bySkill, $run): void {
            if ($held === []) {
                return;
            }
            $first = $held[0];
            $tools = array_values(
                array_intersect(
                    array_unique(array_map(static fn (Operation $operation): string => $operation->tool, $held)),
                    $short,
                ),
            );
            $who = $only !== [] ? $only : $bySkill[$first->skill->value ?? ''] ?? [];
            $chores[] = new Chore(
                $first->id,
                array_sum(array_map($times->of(...), $held)),
                $first->skill,
                $tools,
                $chores === [] ? [] : [$chores[count($chores) - 1]->id],
                $held[count($held) - 1]->wait / 60,
                $who,
                $run->id,
                $first->words,
            );
            $held = [];
        };
        foreach ($job->traveller->operations as $operation) {
            if ($operation->task === Task::Test || $progress->of($operation->id)->status->isSettled()) {
                continue;
            }
            $same =
                $held === [] ||
                ($held[0]->skill === $operation->skill &&
                    in_array($held[0]->tool, $short, true) === in_array($operation->tool, $short, true) &&
                    (! in_array($operation->tool, $short, true) || $held[0]->tool === $operation->tool));
            if (! $same) {
                $close();
            }
            $held[] = $operation;
        }
        $close();

        return $chores;
    }
}
