<?php

declare(strict_types=1);

namespace App\Testing;

use App\Bench\Job;
use App\Bench\Jobs;
use App\Models\Membership;
use App\Models\StoredInstallation;
use App\Planning\Near;
use App\Recording\BenchRecord;
use App\Recording\BenchRecorder;
use App\Recording\Refused;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;
use Sartal\Core\Ends\Wiring\EdgeId;
use Sartal\Core\Work\Bench\BenchCore;
use Sartal\Core\Work\Bench\Disposition;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\ReworkPlanner;
use Sartal\Core\Work\Bench\Task;

/**
 * Sends what a test found back to the bench: the joints of the cause are
 * opened again, with all that follows on them and the whole test after it.
 */
final readonly class Mending
{
    public function __construct(
        private Jobs $jobs,
        private BenchRecord $records,
        private BenchRecorder $recorder,
        private Near $near,
    ) {
    }

    /**
     * @param  list<string>  $edges  joints of the cause
     * @param  string  $test  id of the test that found it
     * @return list<string> what is to be done again, in words
     *
     * @throws Refused
     */
    public function send(
        StoredInstallation $stored,
        Membership $by,
        string $assembly,
        array $edges,
        string $test,
        string $note,
    ): array {
        $job =
            $this->jobs->of($stored, [$assembly]) ??
            throw Refused::because('There is no such job any more. Load the test again.');
        $joins = array_filter(
            $job->traveller->operations,
            static fn (Operation $operation): bool => $operation->task === Task::Join &&
                self::concerns($operation, $edges),
        );
        if ($joins === []) {
            throw Refused::because(
                'No joint is concerned: the cable itself is at fault. Cut it again under its run, or say at the '.
                    'bench what was done.',
            );
        }

        return DB::transaction(function () use ($stored, $by, $job, $joins, $test, $note): array {
            $words = [];
            foreach ($joins as $join) {
                $progress = new Progress($job->traveller->operations, $this->records->events($stored, $job->runs()));
                $rework = (new ReworkPlanner($this->near->atWork($stored, $job->runs())->installation))->of(
                    $job->traveller->operations,
                    $progress,
                    $join,
                    Disposition::Rework,
                    $join->id,
                );
                $this->recorder->record($stored, $job, $by, [
                    // The same test sends the same joint back once, however often it is asked.
                    'id' => Uuid::uuid5(Uuid::NAMESPACE_OID, $test.' '.$join->id)->toString(),
                    'kind' => 'reworked',
                    'run' => $join->run,
                    'step' => $join->id,
                    'of' => $test,
                    'note' => $note,
                    'reopens' => $rework->reopens,
                    'scraps' => $rework->scraps,
                ]);
                array_push(
                    $words,
                    ...array_map(static fn (string $id): string => self::said($job, $id), $rework->reopens),
                );
            }

            return array_values(array_unique($words));
        });
    }

    private static function said(Job $job, string $id): string
    {
        $operation = $job->operation($id);

        return $operation === null ? $id : trim($operation->words.' '.$operation->address);
    }

    /** @param  list<string>  $edges */
    private static function concerns(Operation $operation, array $edges): bool
    {
        foreach ($operation->cores as $core) {
            foreach ($edges as $edge) {
                if (str_starts_with($edge, self::joint($operation, $core))) {
                    return true;
                }
            }
        }

        return false;
    }

    /** How the wiring names the joint, up to where it leads. */
    private static function joint(Operation $operation, BenchCore $core): string
    {
        return EdgeId::jointsOf($core->run, $operation->side, $core->conductor);
    }
}
