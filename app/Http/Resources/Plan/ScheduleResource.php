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
use Sartal\Core\Later\Handover\AssemblyStanding;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Ways\Routing\Hop;

/**
 * The schedule's rows: what a planner scans.
 *
 * @phpstan-import-type BeadShown from PlanEncoder
 *
 * @phpstan-type ShownFinding array{severity: value-of<Severity>, words: string, remedy: string}
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
 * }
 */
final class ScheduleResource
{
    /**
     * What follows from decisions: nobody has recorded anything on any.
     *
     * @param  ?list<string>  $runs  of those of them that there are; null: of all
     * @return array<int|string, Row> by run
     */
    public static function decided(Loaded $loaded, ?array $runs = null): array
    {
        $all = $loaded->installation->runs();

        return array_map(
            static fn (Run $run): array => self::decidedRow($run, $loaded),
            $runs === null ? $all : array_intersect_key($all, array_flip($runs)),
        );
    }

    /**
     * Rows with where their runs stand.
     *
     * @param  array<int|string, Row>  $rows  by run
     * @param  array<int|string, AssemblyStanding>  $standings  by assembly
     * @param  array<int|string, string>  $people  what the record calls people by → name
     * @return list<Row>
     */
    public static function standing(array $rows, array $standings, array $people): array
    {
        $runs = $results = [];
        foreach ($standings as $standing) {
            $runs += $standing->runs;
            foreach ($standing->results as $finding) {
                $results[$finding->subject->id][] = $finding;
            }
        }

        return array_map(
            static fn (array $row): array => self::with(
                $row,
                $runs[$row['id']]->strand ?? [],
                $runs[$row['id']]->hands ?? [],
                $results[$row['id']] ?? [],
                $people,
            ),
            array_values($rows),
        );
    }

    /** @return Row */
    public static function row(Run $run, Loaded $loaded): array
    {
        return self::with(
            self::decidedRow($run, $loaded),
            $loaded->plan()->strand($run->id),
            $loaded->record->hands($run->id),
            $loaded->plan()->resultsOn(Subject::run($run->id)),
            $loaded->people,
        );
    }

    /** @return Row what follows from decisions: nobody has recorded anything */
    public static function decidedRow(Run $run, Loaded $loaded): array
    {
        $in = $loaded->installation;
        $plan = $loaded->plan();
        $cable = $in->catalogue->cables()[$run->cable] ?? null;
        $findings = $plan->judgedOn(Subject::run($run->id));
        foreach ($run->fittings() as $fitting) {
            array_push($findings, ...$plan->judgedOn(Subject::fitting($fitting)));
        }

        foreach ($run->carries as $carriage) {
            array_push($findings, ...$plan->judgedOn(Subject::circuit($carriage->circuit)));
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
            'signals' => self::signals($run, $loaded),
            'way' => array_map(
                static fn (Hop $hop): string => $hop->way->name,
                $plan->runs[$run->id]->lay->route->hops,
            ),
            'tailA' => $run->a->tail->canonical(),
            'tailB' => $run->b->tail->canonical(),
            'note' => $run->note,
            'cut' => $plan->runs[$run->id]->cut->result->canonical(),
            'strand' => [],
            'withdrawn' => $run->withdrawn,
            'who' => [],
            'findings' => array_map(self::finding(...), $findings),
        ];
    }

    /**
     * @param  Row  $row
     * @param  list<Bead>  $strand
     * @param  list<string>  $hands  what the record calls those by who recorded anything on it
     * @param  list<Finding>  $results  what is not right with its results
     * @param  array<int|string, string>  $people  what the record calls people by → name
     * @return Row
     */
    public static function with(array $row, array $strand, array $hands, array $results, array $people): array
    {
        $names = array_values(array_unique(array_map(static fn (string $by): string => $people[$by] ?? $by, $hands)));
        sort($names, SORT_STRING);

        return [
            ...$row,
            'strand' => PlanEncoder::strand($strand),
            'who' => $names,
            'findings' => [...$row['findings'], ...array_map(self::finding(...), $results)],
        ];
    }

    /** @return ShownFinding */
    private static function finding(Finding $finding): array
    {
        return [
            'severity' => $finding->severity->value,
            'words' => $finding->words,
            'remedy' => $finding->remedy,
        ];
    }

    /** @return list<string> what the run carries, each named once, in the cable's order */
    private static function signals(Run $run, Loaded $loaded): array
    {
        $names = [];
        foreach ($run->carries as $carriage) {
            $signal = $loaded->installation->circuit($carriage->circuit)->signal ?? '';
            $names[$loaded->installation->catalogue->signals()[$signal]->name ?? $signal] = true;
        }

        return array_map(strval(...), array_keys($names));
    }

    /** "24 × XLR 3 female", "coiled" */
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

        return $end->bare->value ?? implode(' + ', $words);
    }
}
