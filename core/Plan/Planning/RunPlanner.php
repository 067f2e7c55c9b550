<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Ends\Labelling\LabelTexts;
use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Checks\CableChecks;
use Sartal\Core\Plan\Checks\CrossoverChecks;
use Sartal\Core\Plan\Checks\FitChecks;
use Sartal\Core\Plan\Runs\Lately;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Ways\Looming\CutLength;
use Sartal\Core\Ways\Looming\Lay;
use Sartal\Core\Ways\Looming\Layout;

/** The plan of one run by itself. Looks at nothing but the run and what it names. */
final class RunPlanner
{
    /** @param  ?Lately<RunPlan, array<int|string, EndPinout>>  $lately  ends of runs */
    public static function plan(
        Run $run,
        Installation $installation,
        ?Lay $lay = null,
        ?Lately $lately = null,
    ): RunPlan {
        $lay ??= Layout::alone($run, $installation);
        /** @var Lately<RunPlan, array<int|string, EndPinout>> $lately */
        $lately ??= new Lately();
        $cable = $installation->catalogue->cable($run->cable);

        return new RunPlan(
            $run->id,
            CutLength::work($run, $installation, $lay),
            LabelTexts::write($run, $installation),
            $lay,
            static fn (): array => self::ends($run, $cable, $installation),
            static fn (RunPlan $plan): array => self::judge($run, $cable, $plan, $installation),
            $lately,
        );
    }

    /** @return array<int|string, EndPinout> by side */
    private static function ends(Run $run, ?CableType $cable, Installation $installation): array
    {
        $ends = [];
        foreach (Side::cases() as $side) {
            $ends[$side->value] =
                $cable === null ? new EndPinout([], [], []) : PinoutMaker::make($installation, $run, $side, $cable);
        }

        return $ends;
    }

    /** @return list<Finding> */
    private static function judge(Run $run, ?CableType $cable, RunPlan $plan, Installation $installation): array
    {
        $findings = [...self::references($run, $installation), ...$plan->lay->route->findings];
        foreach ($plan->ends() as $end) {
            array_push($findings, ...$end->findings);
        }
        if ($cable !== null) {
            array_push(
                $findings,
                ...CableChecks::judge($run, $cable, $installation),
                ...FitChecks::judge($run, $cable, $plan->ends(), $installation),
            );
        }

        return [...$findings, ...CrossoverChecks::judge($run, $plan, $installation)];
    }

    /** @return list<Finding> */
    private static function references(Run $run, Installation $installation): array
    {
        $findings = [];
        $subject = Subject::run($run->id);
        if ($installation->catalogue->cable($run->cable) === null) {
            $findings[] = Finding::stop(
                'run.unknown-cable',
                $subject,
                sprintf('%s is of cable type "%s", which is unknown.', $run->code, $run->cable),
                'Choose a cable type from the catalogue.',
            );
        }
        foreach ($run->ways as $way) {
            if ($installation->way($way) === null) {
                $findings[] = Finding::stop(
                    'run.unknown-way',
                    $subject,
                    sprintf('%s follows way "%s", which is unknown.', $run->code, $way),
                    'Pick a way that exists.',
                );
            }
        }
        if ($run->loom !== null && $installation->loom($run->loom) === null) {
            $findings[] = Finding::stop(
                'run.unknown-loom',
                $subject,
                sprintf('%s belongs to loom "%s", which is unknown.', $run->code, $run->loom),
                'Choose a loom that exists.',
            );
        }
        if ($run->isLoose() && $run->length === null) {
            $findings[] = Finding::check(
                'lead.no-length',
                $subject,
                sprintf('Nobody has said how long the loose lead %s is.', $run->code),
                'Write its length, from connector to connector.',
            );
        }
        foreach (Side::cases() as $side) {
            array_push($findings, ...self::end($run, $side, $run->end($side), $installation));
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function end(Run $run, Side $side, End $end, Installation $installation): array
    {
        $findings = [];
        $subject = Subject::run($run->id);
        $place = sprintf('End %s of %s', $side->value, $run->code);
        if ($installation->location($end->location) === null) {
            $findings[] = Finding::stop(
                'end.unknown-location',
                $subject,
                sprintf('%s is at "%s", which is unknown.', $place, $end->location),
                'Choose a location that exists.',
            );
        }
        if ($end->legs === [] && $end->bare === null) {
            $findings[] = Finding::check(
                'end.no-leg',
                $subject,
                $place.' has no fitting.',
                'Choose a connector for it, or say how it is left bare.',
            );
        }
        foreach (
            ['tail' => $end->tail, 'slack' => $end->slack, 'preparation' => $end->preparation] as $name => $length
        ) {
            if ($length->isNegative()) {
                $findings[] = Finding::stop(
                    'end.negative-length',
                    $subject,
                    sprintf('%s has a %s of %s.', $place, $name, $length->canonical()),
                    'Give a length of nothing or more.',
                );
            }
        }
        foreach ($end->legs as $leg) {
            $landing = $leg->landing;
            if ($landing === null) {
                continue;
            }
            $fitting = $installation->fitting($landing->fitting);
            $plan = $installation->plan($landing->plan);
            if ($fitting === null) {
                $findings[] = Finding::stop(
                    'leg.unknown-fitting',
                    $subject,
                    sprintf(
                        '%s: leg %s lands in fitting "%s", which is unknown.',
                        $place,
                        $leg->label,
                        $landing->fitting,
                    ),
                    'Choose a fitting that exists.',
                );
            }
            if ($plan === null) {
                $findings[] = Finding::stop(
                    'leg.unknown-plan',
                    $subject,
                    sprintf(
                        '%s: leg %s follows contact plan "%s", which is unknown.',
                        $place,
                        $leg->label,
                        $landing->plan,
                    ),
                    'Choose a contact plan of the connector.',
                );

                continue;
            }
            if ($fitting !== null && $plan->connector !== $fitting->connector) {
                $findings[] = Finding::stop(
                    'leg.plan-of-another',
                    $subject,
                    sprintf(
                        '%s: plan "%s" is for %s, and the fitting is %s.',
                        $place,
                        $plan->name,
                        $plan->connector,
                        $fitting->connector,
                    ),
                    'Choose a contact plan of that connector.',
                );
            }
            foreach ($landing->channels as $channel) {
                if (! isset($plan->channels[$channel])) {
                    $findings[] = Finding::stop(
                        'leg.no-such-channel',
                        $subject,
                        sprintf(
                            '%s: leg %s wants channel %s, which plan "%s" does not have.',
                            $place,
                            $leg->label,
                            $channel,
                            $plan->name,
                        ),
                        sprintf('Choose one of its %d channels, or a plan with more.', count($plan->channels)),
                    );
                }
            }
        }

        return $findings;
    }
}
