<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Ends\Wiring\Assemblies;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Checks\FittingChecks;
use Sartal\Core\Plan\Checks\JoinChecks;
use Sartal\Core\Plan\Checks\MainsDrainChecks;
use Sartal\Core\Plan\Checks\Neighbourhood;
use Sartal\Core\Plan\Checks\Neighbourhoods;
use Sartal\Core\Plan\Checks\PhantomChecks;
use Sartal\Core\Plan\Checks\PortChecks;
use Sartal\Core\Plan\Planning\RunPlanner;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Plan\Runs\RunPlans;

/** What is found where some runs and connectors are joined, and nowhere else. */
final class Found
{
    /**
     * @param  list<string>  $runs
     * @param  list<string>  $fittings
     * @return list<Finding>
     */
    public static function around(Installation $in, array $runs, array $fittings): array
    {
        $assemblies = Assemblies::find($in);
        $of = [];
        foreach ($assemblies as $assembly) {
            $of += array_fill_keys($assembly->runs, $assembly->id);
        }
        $findings = [];
        foreach (Neighbourhoods::in($in, $assemblies, $of) as $near) {
            $meant = array_intersect($near->runs, $runs) !== [] || array_intersect($near->fittings(), $fittings) !== [];
            array_push($findings, ...$meant ? self::in($in, $near) : []);
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function in(Installation $in, Neighbourhood $near): array
    {
        $plans = new RunPlans(
            array_fill_keys($near->runs, true),
            static fn (string $run): RunPlan => RunPlanner::plan($in->theRun($run), $in),
        );
        $findings = [];
        foreach ($plans as $plan) {
            array_push($findings, ...$in->theRun($plan->run)->withdrawn ? [] : $plan->findings());
        }
        $looks = [
            new FittingChecks($in),
            new JoinChecks($in),
            new PortChecks($in),
            new PhantomChecks($in),
            new MainsDrainChecks($in),
        ];
        foreach ($looks as $look) {
            array_push($findings, ...$look->of($near, $plans));
        }

        return $findings;
    }

    /**
     * @param  list<Finding>  $before
     * @param  list<Finding>  $after
     * @return list<Finding> of the later ones, those that were not found before
     */
    public static function since(array $before, array $after): array
    {
        $known = [];
        foreach ($before as $finding) {
            $known[self::key($finding)] = true;
        }

        return array_values(array_filter(
            $after,
            static fn (Finding $finding): bool => ! isset($known[self::key($finding)]),
        ));
    }

    private static function key(Finding $finding): string
    {
        return $finding->code."\0".$finding->subject->text()."\0".$finding->words;
    }
}
