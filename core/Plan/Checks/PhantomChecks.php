<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Ends\Wiring\WiringBuilder;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Runs\RunPlans;

/**
 * Phantom power returns through the screen (IEC 61938, from memory): from where
 * it comes in to the microphone that way must be whole, with no switch in it.
 */
final class PhantomChecks implements NeighbourCheck
{
    /** @var ?array<int|string, true> fittings that are plugged into a port that gives it */
    private ?array $feeding = null;

    public function __construct(private readonly Installation $installation)
    {
    }

    public function of(Neighbourhood $near, RunPlans $runs): array
    {
        $installation = $this->installation;
        $fed = $this->fed($near, $runs);
        if ($fed === []) {
            return [];
        }
        $findings = [];
        $byFitting = [];
        foreach ($fed as $circuit => $fitting) {
            $byFitting[$fitting][$circuit] = $fitting;
        }
        foreach ($near->assemblies as $assembly) {
            $mine = [];
            foreach ($assembly->fittings as $fitting) {
                $mine += $byFitting[$fitting] ?? [];
            }
            if ($mine === []) {
                continue;
            }
            $joints = [];
            foreach ($assembly->runs as $run) {
                array_push($joints, ...$runs[$run]->joints());
            }
            $wiring = (new WiringBuilder($installation))->build($assembly, $joints, []);
            foreach ($mine as $circuit => $fitting) {
                $finding = self::judgeOne(
                    $installation->theCircuit($circuit),
                    $fitting,
                    $joints,
                    $wiring,
                    $installation,
                );
                if ($finding !== null) {
                    $findings[] = $finding;
                }
            }
        }

        return $findings;
    }

    /** @return array<int|string, string> circuit → fitting that phantom power comes in by */
    private function fed(Neighbourhood $near, RunPlans $runs): array
    {
        $fed = [];
        foreach ($near->circuits as $id) {
            $circuit = $this->installation->circuit($id);
            if ($circuit !== null && $circuit->phantom !== '') {
                $fed[$circuit->id] = $circuit->phantom;
            }
        }
        $this->feeding ??= self::feeding($this->installation);
        $feeding = array_intersect_key($this->feeding, array_flip($near->fittings()));
        foreach ($feeding === [] ? [] : $runs as $run) {
            foreach ($run->joints() as $joint) {
                $fitting = Node::fitting($joint->to) ?? '';
                if (isset($feeding[$fitting]) && $this->installation->circuit($joint->circuit) !== null) {
                    $fed[$joint->circuit] ??= $fitting;
                }
            }
        }

        return array_filter(
            $fed,
            fn (int|string $circuit): bool => $this->installation->catalogue->signal(
                $this->installation->theCircuit($circuit)->signal,
            )?->phantom === true,
            ARRAY_FILTER_USE_KEY,
        );
    }

    /** @return array<int|string, true> */
    private static function feeding(Installation $installation): array
    {
        $feeding = [];
        foreach ($installation->matings() as $mating) {
            if ($installation->port($mating->with)?->phantom === true) {
                $feeding[$mating->fitting] = true;
            }
        }

        return $feeding;
    }

    /** @param  list<Joint>  $joints */
    private static function judgeOne(
        Circuit $circuit,
        string $fitting,
        array $joints,
        Wiring $wiring,
        Installation $installation,
    ): ?Finding {
        $screens = self::screens($circuit, $joints, $installation);
        $run = '';
        foreach ($joints as $joint) {
            if ($joint->circuit === $circuit->id) {
                $run = $joint->run;
                break;
            }
        }
        // A circuit that no cable carries there is asked about itself.
        $subject = $run === '' ? Subject::circuit($circuit->id) : Subject::run($run);
        $here = $screens[$fitting] ?? [];
        $sources =
            $circuit->from !== ''
                ? array_intersect_key($screens, [$circuit->from => true])
                : array_diff_key($screens, [$fitting => true]);
        if ($circuit->from === '' && $sources === []) {
            // The far end may be open on purpose: then its screen was never joined, and that is the fault.
            $sources = ['' => []];
        }
        $label = $installation->fitting($fitting)->label ?? $fitting;
        foreach ($sources as $there) {
            if (! self::reaches($wiring, $here, $there)) {
                return Finding::stop(
                    'phantom.open',
                    $subject,
                    sprintf(
                        '%s takes phantom power from %s, and its screen is not whole from there.',
                        $circuit->name,
                        $label,
                    ),
                    'Join the screen at both ends of this circuit: audio passes without it, a powered microphone '.
                        'does not work.',
                );
            }
            foreach ($wiring->edges as $edge) {
                if (
                    $edge->kind === EdgeKind::Switch &&
                    ! self::reaches($wiring->edited(new WiringEdit([$edge->id => self::turned($edge)])), $here, $there)
                ) {
                    return Finding::check(
                        'phantom.lifted',
                        $subject,
                        sprintf(
                            '%s takes phantom power from %s through a switch that can lift its screen.',
                            $circuit->name,
                            $label,
                        ),
                        'Never lift the leg that feeds phantom power: take it from the unswitched output.',
                    );
                }
            }
        }

        return null;
    }

    private static function turned(Edge $edge): Edge
    {
        return $edge->operated(! $edge->closed);
    }

    /**
     * @param  list<string>  $here
     * @param  list<string>  $there
     */
    private static function reaches(Wiring $wiring, array $here, array $there): bool
    {
        foreach ($here as $node) {
            if (array_intersect_key($wiring->reach($node), array_flip($there)) !== []) {
                return true;
            }
        }

        return false;
    }

    /**
     * The screen contacts of a circuit by fitting, those of a panel's further outputs included.
     *
     * @param  list<Joint>  $joints
     * @return array<int|string, list<string>>
     */
    private static function screens(Circuit $circuit, array $joints, Installation $installation): array
    {
        $signal = $installation->catalogue->signal($circuit->signal);
        $names = [];
        foreach ($signal->functions ?? [] as $function) {
            if ($function->pole === SignalFunction::SCREEN) {
                $names[$function->name] = true;
            }
        }
        $screens = [];
        foreach ($joints as $joint) {
            $fitting = Node::fitting($joint->to);
            if ($fitting !== null && $joint->circuit === $circuit->id && isset($names[$joint->function])) {
                $screens[$fitting][] = $joint->to;
            }
        }
        $all = array_merge(...array_values($screens), ...[[]]);
        foreach ([...$installation->links(), ...array_values($installation->switches())] as $between) {
            [$from, $to] = [Node::named($between->from), Node::named($between->to)];
            foreach ([[$from, $to], [$to, $from]] as [$one, $other]) {
                $fitting = Node::fitting($other);
                if ($fitting !== null && in_array($one, $all, true)) {
                    $screens[$fitting][] = $other;
                }
            }
        }

        return $screens;
    }
}
