<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Preparing\DrainWithEarth;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\ElementPath;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Plan\Runs\RunPlans;

/**
 * The drain of a mains element goes with protective earth or nowhere, and in the same manner at both ends. Source:
 * common practice; local code stands above it.
 */
final readonly class MainsDrainChecks implements NeighbourCheck
{
    public function __construct(private Installation $installation)
    {
    }

    public function of(Neighbourhood $near, RunPlans $runs): array
    {
        $findings = [];
        foreach ($runs as $plan) {
            $run = $this->installation->theRun($plan->run);
            $cable = $this->installation->catalogue->cable($run->cable);
            if ($cable === null || $run->withdrawn) {
                continue;
            }
            foreach ($cable->mainsDrains() as $drain) {
                array_push($findings, ...$this->ofDrain($run, $plan, $drain, $cable));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function ofDrain(Run $run, RunPlan $plan, Conductor $drain, CableType $cable): array
    {
        $findings = $joined = $made = [];
        $isAsked = false;
        foreach (Side::cases() as $side) {
            $made += self::isMade($run, $side, $drain) ? [$side->value => true] : [];
            $its = array_values(array_filter(
                $plan->end($side)->joints,
                static fn (Joint $joint): bool => $joint->conductor === $drain->path,
            ));
            foreach ($its as $joint) {
                $joined[$side->value] = true;
                array_push($findings, ...$this->ofJoint($run, $plan, $joint, $drain, $cable));
            }
            $isAsked = $isAsked || ($its === [] && isset($made[$side->value]) && ! self::isSaid($run, $side, $drain));
        }
        // An end that is made later is asked then.
        if (count($joined) === 1 && count($made + $joined) === 2) {
            $findings[] = $this->stop(
                'drain.one-end',
                $run,
                sprintf(
                    'The %s of %s is joined at end %s alone.',
                    self::name($drain, $cable),
                    $run->code,
                    array_key_first($joined),
                ),
                'Join it with protective earth at both ends, or cut it off at both.',
            );
        } elseif ($isAsked) {
            $findings[] = Finding::check(
                'drain.open',
                Subject::run($run->id),
                sprintf(
                    'The %s of %s belongs to protective earth at both ends, and goes nowhere.',
                    self::name($drain, $cable),
                    $run->code,
                ),
                'Join it with earth at both ends where the terminals’ makers and local code allow it, or say why not.',
            );
        }

        return $findings;
    }

    private static function isMade(Run $run, Side $side, Conductor $drain): bool
    {
        foreach ($run->end($side)->legs as $leg) {
            if ($leg->landing !== null && ElementPath::isWithinAny($drain->path, $leg->elements)) {
                return true;
            }
        }

        return false;
    }

    /** Whether somebody has said why the drain stays unjoined here. */
    private static function isSaid(Run $run, Side $side, Conductor $drain): bool
    {
        $end = $run->end($side);
        $said = array_map(strval(...), array_keys($end->unused));
        foreach ($end->handJoints as $joint) {
            array_push($said, ...$joint->to === null ? [$joint->conductor] : []);
        }

        return ElementPath::isWithinAny($drain->path, $said);
    }

    /** @return list<Finding> */
    private function ofJoint(Run $run, RunPlan $plan, Joint $joint, Conductor $drain, CableType $cable): array
    {
        $earth = null;
        foreach ($plan->end($joint->side)->joints as $other) {
            if ($other->to === $joint->to && $other->conductor !== $drain->path && $other->function !== '') {
                $signal = $this->installation->circuit($other->circuit)->signal ?? '';
                $isEarth = $this->installation->catalogue->signal($signal)?->isProtective($other->function) === true;
                $earth = $isEarth ? $other : $earth;
            }
        }
        $fitting = $this->installation->fitting(Node::fitting($joint->to) ?? '');
        $core = $earth === null ? null : $cable->conductors()[$earth->conductor] ?? null;
        if ($core === null || $fitting === null) {
            return [$this->stop(
                'drain.not-earth',
                $run,
                sprintf(
                    'The %s of %s is joined at end %s where protective earth is not.',
                    self::name($drain, $cable),
                    $run->code,
                    $joint->side->value,
                ),
                'Lay it with protective earth at both ends, or cut it off at both.',
            )];
        }
        $layout = FittingLayout::unfolded($fitting, $this->installation->catalogue);
        $rule = new DrainWithEarth($this->installation->catalogue, $this->installation->rulesFor($run));
        $against = $layout === null
            ? []
            : $rule->against($core, $drain, $layout, $joint->address(), $fitting->label);

        return array_map(
            fn (string $words): Finding => $this->stop(
                'drain.with-earth',
                $run,
                sprintf('%s, end %s: %s', $run->code, $joint->side->value, $words),
                'Local code and the terminal’s leaflet stand above this.',
            ),
            $against,
        );
    }

    private static function name(Conductor $drain, CableType $cable): string
    {
        return trim(sprintf('drain of the %s', $cable->element($drain->parent)->label ?? $drain->parent));
    }

    private function stop(string $code, Run $run, string $words, string $remedy): Finding
    {
        return Finding::stop($code, Subject::run($run->id), $words, $remedy);
    }
}
