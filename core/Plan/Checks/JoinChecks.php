<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\DisjointSets;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\SignalJoins;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Topology;
use Sartal\Core\Plan\Runs\RunPlans;

/**
 * Where more than two ways meet: a Y joint is for microphone, line and
 * loudspeaker level; data runs from one to the next and ends in a terminator.
 * Source: common practice; TIA-485, ANSI E1.11 for chains.
 */
final class JoinChecks implements NeighbourCheck
{
    /** Cables that meet where a chain passes a device: one comes, one goes on. */
    private const PASSES = 2;

    /** @var ?list<list<string>> nodes that conduct to each other without a cable */
    private ?array $places = null;

    /** @var array<int|string, int> which of them, by node */
    private array $placeOf = [];

    /** @var ?array<int|string, true> fittings that are plugged into a port with its own terminator */
    private ?array $terminating = null;

    private ?LedTogether $ledTogether = null;

    public function __construct(private readonly Installation $installation)
    {
    }

    public function of(Neighbourhood $near, RunPlans $runs): array
    {
        $joints = [];
        foreach ($runs as $plan) {
            if (! $this->installation->theRun($plan->run)->withdrawn) {
                array_push($joints, ...$plan->joints());
            }
        }

        $this->ledTogether ??= new LedTogether($this->installation);

        return [...$this->splits($joints), ...$this->ledTogether->among($joints), ...$this->chains($joints)];
    }

    /**
     * @param  list<Joint>  $joints
     * @return list<Finding>
     */
    private function splits(array $joints): array
    {
        $findings = [];
        foreach ($this->meetings($joints) as [$nodes, $meeting]) {
            $ways = [];
            foreach ($meeting as $joint) {
                $ways['end '.$joint->run.$joint->side->value] = true;
            }
            $ends = count($ways);
            foreach (array_filter(array_map(Node::fitting(...), $nodes)) as $fitting) {
                $ways['fitting '.$fitting] = true;
            }
            $ways = count($ways);
            $first = $meeting[0];
            $circuit = $this->installation->circuit($first->circuit);
            $signal = $this->installation->catalogue->signal($circuit->signal ?? '');
            if ($ways < 3 || $circuit === null || $signal === null || isset($findings[$circuit->id])) {
                continue;
            }
            if ($signal->joins === SignalJoins::PointToPoint) {
                $findings[$circuit->id] = Finding::stop(
                    'join.not-split',
                    Subject::run($first->run),
                    sprintf('%s is joined %d ways, and %s does not split.', $circuit->name, $ways, $signal->name),
                    'Use an active splitter, or separate runs.',
                );
            } elseif ($signal->joins === SignalJoins::Chain && $circuit->topology !== Topology::DaisyChain) {
                $findings[$circuit->id] = Finding::stop(
                    'join.not-chain',
                    Subject::run($first->run),
                    sprintf(
                        '%s is joined %d ways as a Y; %s runs from one to the next.',
                        $circuit->name,
                        $ways,
                        $signal->name,
                    ),
                    'Make the circuit a daisy chain with its terminator, or use a splitter.',
                );
            } elseif ($signal->joins === SignalJoins::Chain && $ends > self::PASSES) {
                $findings[$circuit->id] = Finding::stop(
                    'join.not-chain',
                    Subject::run($first->run),
                    sprintf(
                        '%s is a daisy chain, and %d cables of it meet in one place: that is a Y.',
                        $circuit->name,
                        $ends,
                    ),
                    'Lead it from one device to the next, or use a splitter.',
                );
            }
        }

        return array_values($findings);
    }

    /**
     * Nodes that conduct to each other at one place, without the cables, and what is joined there.
     *
     * @param  list<Joint>  $joints
     * @return list<array{list<string>, non-empty-list<Joint>}>
     */
    private function meetings(array $joints): array
    {
        $at = [];
        foreach ($joints as $joint) {
            $at[$joint->to][] = $joint;
        }
        $places = $this->places();
        $here = array_intersect_key($this->placeOf, $at);
        sort($here);
        $meetings = [];
        foreach (array_unique($here) as $place) {
            $meeting = [];
            foreach ($places[$place] as $node) {
                array_push($meeting, ...$at[$node] ?? []);
                unset($at[$node]);
            }
            if ($meeting !== []) {
                $meetings[] = [$places[$place], $meeting];
            }
        }
        foreach ($at as $node => $meeting) {
            if (count($meeting) > 1) {
                $meetings[] = [[(string) $node], $meeting];
            }
        }

        return $meetings;
    }

    /** @return list<list<string>> */
    private function places(): array
    {
        if ($this->places === null) {
            $sets = new DisjointSets();
            $in = $this->installation;
            foreach ([...$in->links(), ...array_values($in->switches())] as $between) {
                $sets->join(Node::named($between->from), Node::named($between->to));
            }
            $this->places = $sets->groups();
            foreach ($this->places as $place => $nodes) {
                $this->placeOf += array_fill_keys($nodes, $place);
            }
        }

        return $this->places;
    }

    /**
     * @param  list<Joint>  $joints
     * @return list<Finding>
     */
    private function chains(array $joints): array
    {
        $this->terminating ??= self::terminating($this->installation);
        $findings = [];
        foreach ($joints as $joint) {
            $circuit = $this->installation->circuit($joint->circuit);
            $signal = $this->installation->catalogue->signal($circuit->signal ?? '');
            if ($circuit === null || $signal?->joins !== SignalJoins::Chain || $circuit->terminator !== '') {
                continue;
            }
            if (isset($this->terminating[Node::fitting($joint->to) ?? ''])) {
                $findings[$circuit->id] = null;
            } elseif (! array_key_exists($circuit->id, $findings)) {
                $findings[$circuit->id] = Finding::check(
                    'chain.no-terminator',
                    Subject::run($joint->run),
                    sprintf('Nobody has said where %s is terminated.', $circuit->name),
                    sprintf('%s ends in a terminator at its last device: name it in the circuit.', $signal->name),
                );
            }
        }

        return array_values(array_filter($findings));
    }

    /** @return array<int|string, true> fittings that are plugged into a port with its own terminator */
    private static function terminating(Installation $installation): array
    {
        $fittings = [];
        foreach ($installation->matings() as $mating) {
            if ($installation->port($mating->with)?->terminates === true) {
                $fittings[$mating->fitting] = true;
            }
        }

        return $fittings;
    }
}
