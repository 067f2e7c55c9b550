<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Reach\Reaches;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Ways\Looming\Layout;
use Sartal\Core\Ways\Routing\WayLoad;

/** What only shows when runs are seen together. */
final class Checks
{
    /**
     * @param  array<int|string, RunPlan>  $runs
     * @param  array<array-key, string>  $rotations
     * @param  array<int|string, WayLoad>  $ways
     * @return list<Finding>
     */
    public static function judge(
        Installation $installation,
        array $runs,
        array $rotations,
        Layout $layout,
        array $ways,
    ): array {
        $findings = [];
        foreach ($runs as $run) {
            array_push($findings, ...$run->findings);
        }

        foreach ($ways as $way) {
            array_push($findings, ...$way->findings);
        }
        foreach ($layout->looms as $loom) {
            array_push($findings, ...$loom->findings);
        }

        return [
            ...$findings,
            ...$layout->tails->findings(),
            ...self::codes($installation),
            ...FittingChecks::judge($installation, $runs),
            ...MatingChecks::judge($installation, $runs),
            ...JoinChecks::judge($installation, $runs),
            ...PortChecks::judge($installation, $runs),
            ...PhantomChecks::judge($installation, $runs),
            ...LabelChecks::findings($rotations, $runs),
            ...LabelChecks::texts($installation, $runs),
            ...self::reaches($installation, $runs),
        ];
    }

    /** @return list<Finding> */
    private static function codes(Installation $installation): array
    {
        $used = [];
        foreach ($installation->runs() as $run) {
            if (! $run->withdrawn) {
                $used[$run->code][] = $run->id;
            }
        }
        $findings = [];
        foreach ($used as $code => $ids) {
            foreach (count($ids) > 1 ? $ids : [] as $id) {
                $findings[] = Finding::stop(
                    'run.code-twice',
                    Subject::run($id),
                    sprintf('%d runs have the code %s.', count($ids), $code),
                    'Give each run a code of its own.',
                );
            }
        }

        return $findings;
    }

    /**
     * @param  array<int|string, RunPlan>  $runs
     * @return list<Finding>
     */
    private static function reaches(Installation $installation, array $runs): array
    {
        $reaches = new Reaches($installation);

        return $reaches->findings(
            $reaches->lines(array_map(static fn (RunPlan $run): Length => $run->cut->result, $runs)),
        );
    }
}
