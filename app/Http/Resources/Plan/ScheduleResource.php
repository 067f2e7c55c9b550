<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Planning\Loaded;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Proof\Record\Event;

/**
 * The schedule's rows: what a planner scans.
 *
 * @phpstan-import-type BeadShown from PlanEncoder
 *
 * @phpstan-type Schedule array{revision: int, rows: list<Row>}
 * @phpstan-type Row array{
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
 *     cut: string,
 *     strand: list<BeadShown>,
 *     withdrawn: bool,
 *     who: list<string>,
 *     findings: list<array{severity: value-of<Severity>, words: string, remedy: string}>,
 * }
 */
final class ScheduleResource
{
    /** @return Schedule */
    public static function of(Loaded $loaded): array
    {
        return [
            'revision' => $loaded->stored->revision,
            'rows' => array_map(
                static fn (Run $run): array => self::row($run, $loaded),
                array_values($loaded->installation->runs()),
            ),
        ];
    }

    /** @return Row */
    public static function row(Run $run, Loaded $loaded): array
    {
        $in = $loaded->installation;
        $plan = $loaded->plan();
        $cable = $in->catalogue->cables()[$run->cable] ?? null;
        $findings = $plan->findingsOn(Subject::run($run->id));
        foreach ($run->fittings() as $fitting) {
            array_push($findings, ...$plan->findingsOn(Subject::fitting($fitting)));
        }

        foreach ($run->carries as $carriage) {
            array_push($findings, ...$plan->findingsOn(Subject::circuit($carriage->circuit)));
        }

        return [
            'id' => $run->id,
            'version' => $loaded->versions[$run->id] ?? 0,
            'code' => $run->code,
            'family' => $cable->family ?? '',
            'cable' => $cable->name ?? $run->cable,
            'build' => $run->build->value,
            'loom' => $run->loom === null ? '' : $in->looms()[$run->loom]->name ?? $run->loom,
            'from' => $in->locationName($run->a->location),
            'to' => $in->locationName($run->b->location),
            'endA' => self::end($run->a, $loaded),
            'endB' => self::end($run->b, $loaded),
            'cut' => $plan->runs[$run->id]->cut->result->canonical(),
            'strand' => PlanEncoder::strand($plan->strands[$run->id]),
            'withdrawn' => $run->withdrawn,
            'who' => array_values(
                array_unique(
                    array_map(
                        static fn (Event $event): string => $loaded->people[$event->by] ?? $event->by,
                        $loaded->record->of($run->id),
                    ),
                ),
            ),
            'findings' => array_map(
                static fn (Finding $finding): array => [
                    'severity' => $finding->severity->value,
                    'words' => $finding->words,
                    'remedy' => $finding->remedy,
                ],
                $findings,
            ),
        ];
    }

    /** "24 × XLR 3 female" */
    public static function end(End $end, Loaded $loaded): string
    {
        $connectors = [];
        foreach ($end->legs as $leg) {
            $fitting = $loaded->installation->fittings()[$leg->landing->fitting ?? ''] ?? null;
            $type = $loaded->installation->catalogue->connectors()[$fitting->connector ?? ''] ?? null;
            $name = $type->short ?? ($type->name ?? ($fitting->connector ?? 'bare'));
            $connectors[$name] = ($connectors[$name] ?? 0) + 1;
        }
        $words = [];
        foreach ($connectors as $name => $count) {
            $words[] = $count === 1 ? (string) $name : $count.' × '.$name;
        }

        return implode(' + ', $words);
    }
}
