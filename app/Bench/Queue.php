<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Bench\TimeBook;

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
    public function __construct(private KeptJobs $jobs)
    {
    }

    /**
     * What may be another since; where that may be any, all of it.
     *
     * @return array{jobs: list<QueueLine>, isPart: bool, cursor: string}
     */
    public function told(StoredInstallation $stored, ?JobCursor $known): array
    {
        $told = $this->jobs->told($stored, $known);

        return [
            'jobs' => array_map(static fn (KeptJob $job): array => self::line($job, $told->times), $told->jobs),
            'isPart' => $told->isPart,
            'cursor' => $told->cursor->text(),
        ];
    }

    /** @return QueueLine */
    public static function line(KeptJob $job, TimeBook $times): array
    {
        $facts = $job->facts;

        return [
            'id' => $job->id,
            'codes' => $facts->codes,
            'cable' => $facts->cable,
            'from' => $facts->from,
            'to' => $facts->to,
            'loom' => $facts->loom,
            'loomId' => $facts->loomId,
            'build' => $facts->build->value,
            'settled' => $job->settled,
            'count' => $facts->count,
            'minutes' => $times->sum($job->left->of),
            'done' => $job->done,
            'next' => $job->next,
            'where' => $job->where,
            'begun' => $job->settled > 0,
            'hold' => $job->hold,
            'questions' => $job->questions,
            'skills' => $job->skills,
            'alike' => $facts->alike,
            'strand' => PlanEncoder::strand($job->strand),
        ];
    }
}
