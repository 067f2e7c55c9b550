<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use Sartal\Core\Work\Bench\TimeBook;
use Sartal\Core\Work\Forecasting\Chore;

/** What is left to do at the bench, in pieces that one person does in one go. */
final readonly class Workload
{
    public function __construct(private KeptJobs $jobs, private Given $given)
    {
    }

    /** @return list<Chore> one after the other, as each job's traveller has them; what is stopped is not among them */
    public function of(StoredInstallation $stored, TimeBook $times): array
    {
        $jobs = $this->jobs->of($stored);
        $ahead = $this->jobs->ahead($stored);
        $given = $this->given->all($stored, $this->jobs->assemblyOf($stored));
        $chores = [];
        foreach ($jobs as $id => $job) {
            $only = $given['assembly'][$job->id] ?? ($given['loom'][$job->facts->loomId] ?? []);
            $before = null;
            foreach ($job->hold === null ? $ahead[$id] : [] as $stretch) {
                $chores[] = new Chore(
                    $stretch->id,
                    $times->sum($stretch->amounts->of),
                    $stretch->skill,
                    $stretch->tools,
                    $before === null ? [] : [$before],
                    $stretch->wait,
                    $only !== [] ? $only : $given['skill'][$stretch->skill->value ?? ''] ?? [],
                    $job->id,
                    $stretch->words,
                );
                $before = $stretch->id;
            }
        }

        return $chores;
    }
}
