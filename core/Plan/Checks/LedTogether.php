<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\DisjointSets;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Catalogue\SignalFunction;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;

/**
 * Jumpers, splices and switches that are closed at rest lead like to like: where they bring two functions of one
 * circuit together, or a pole of one to another pole of its neighbour, that is a short. Screens may meet screens.
 * Source: common practice.
 */
final class LedTogether
{
    /** @var ?array<int|string, int> place by node, of those that something leads from */
    private ?array $places = null;

    public function __construct(private readonly Installation $installation)
    {
    }

    /**
     * @param  list<Joint>  $joints
     * @return list<Finding> one for each place
     */
    public function among(array $joints): array
    {
        $this->places ??= $this->places();
        $meeting = [];
        foreach ($joints as $joint) {
            $place = $this->places[$joint->to] ?? (Node::isTerminal($joint->to) ? null : $joint->to);
            if ($place !== null && $joint->function !== '') {
                $meeting[$place][] = $joint;
            }
        }
        $findings = [];
        foreach ($meeting as $there) {
            [$one, $other] = $this->clash($there) ?? [null, null];
            if ($one !== null && $other !== null) {
                $findings[] = Finding::stop(
                    'join.short',
                    Subject::run($one->run),
                    ucfirst(sprintf('%s and %s are led together.', $this->name($one), $this->name($other))),
                    'Lead like to like: take out the jumper, splice or switch between them.',
                );
            }
        }

        return $findings;
    }

    /** @return array<int|string, int> */
    private function places(): array
    {
        $sets = new DisjointSets();
        foreach ($this->installation->links() as $link) {
            $sets->join(Node::named($link->from), Node::named($link->to));
        }
        foreach ($this->installation->switches() as $switch) {
            if ($switch->closedAtRest) {
                $sets->join(Node::named($switch->from), Node::named($switch->to));
            }
        }
        $places = [];
        foreach ($sets->groups() as $place => $nodes) {
            $places += array_fill_keys($nodes, $place);
        }

        return $places;
    }

    /**
     * @param  non-empty-list<Joint>  $joints
     * @return ?array{Joint, Joint}
     */
    private function clash(array $joints): ?array
    {
        $first = $joints[0];
        foreach ($joints as $joint) {
            // On one contact it is that contact's matter, not the jumper's.
            $differs = $joint->function !== $first->function &&
                ($joint->to !== $first->to || ! Node::isTerminal($joint->to));
            if ($differs && ! ($this->isScreen($joint) && $this->isScreen($first))) {
                return [$first, $joint];
            }
        }

        return null;
    }

    private function isScreen(Joint $joint): bool
    {
        $circuit = $this->installation->circuit($joint->circuit);
        foreach ($this->installation->catalogue->signal($circuit->signal ?? '')->functions ?? [] as $function) {
            if ($function->name === $joint->function) {
                return $function->pole === SignalFunction::SCREEN || $function->protective;
            }
        }

        return false;
    }

    private function name(Joint $joint): string
    {
        $circuit = $this->installation->circuit($joint->circuit)->name ?? '';

        return $circuit === '' ? $joint->function : sprintf('%s of %s', $joint->function, $circuit);
    }
}
