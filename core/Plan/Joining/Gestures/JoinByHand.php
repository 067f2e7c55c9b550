<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/**
 * Conductors go to contacts one by one, whatever the plan says. One that the plan has just there is as the plan has it:
 * no exception is kept of it.
 */
final readonly class JoinByHand implements Gesture
{
    /**
     * @param  array<int|string, string>  $joints  conductor → "fitting/address" or "splice:id"
     * @param  string  $reason  as the sheet prints it
     */
    public function __construct(private RunEnd $at, private array $joints, private string $reason)
    {
    }

    /** Both as one, where they are of one end: two that change places do so at once. */
    public function plus(self $other): ?self
    {
        return $this->at == $other->at && $this->reason === $other->reason
            ? new self($this->at, array_replace($this->joints, $other->joints), $this->reason)
            : null;
    }

    public function draw(Sketch $on): void
    {
        if (trim($this->reason) === '') {
            throw CannotJoin::because('reason', '', 'Say why: the reason stands on the sheet.');
        }
        $cable = $on->cable($this->at);
        $end = $on->end($this->at);
        foreach ($this->joints as $conductor => $to) {
            $conductor = (string) $conductor;
            if (! isset($cable->conductors()[$conductor])) {
                throw CannotJoin::because(
                    'elements',
                    $conductor,
                    sprintf('%s has no conductor "%s". Choose one that it has.', $cable->name, $conductor),
                );
            }
            $on->place($to, 'to');
            $end = $end->joinedByHand($conductor, null);
        }
        $on->put($this->at, $end);
        $byPlan = $this->byPlan($on);
        foreach ($this->joints as $conductor => $to) {
            if (($byPlan[$conductor] ?? []) !== [Node::named($to)]) {
                $end = $end->joinedByHand((string) $conductor, new HandJoint((string) $conductor, $to, $this->reason));
            }
        }
        $unused = $end->unused;
        foreach (array_keys($this->joints) as $conductor) {
            unset($unused[$conductor]);
        }
        $on->put($this->at, $end->saying($end->handJoints, $unused));
        $this->alone($on);
    }

    public function words(Installation $in): string
    {
        return sprintf('%s: %d joined by hand', $this->at->words($in), count($this->joints));
    }

    /** @return array<int|string, list<string>> conductor → nodes that it goes to by the plan */
    private function byPlan(Sketch $on): array
    {
        $found = [];
        foreach ($on->pinout($this->at)->joints as $joint) {
            $found[$joint->conductor][] = $joint->to;
        }

        return $found;
    }

    /**
     * A contact takes one wire of an end, unless it is declared as shared.
     *
     * @throws CannotJoin
     */
    private function alone(Sketch $on): void
    {
        $at = [];
        foreach ($on->pinout($this->at)->joints as $joint) {
            $at[$joint->to][] = $joint;
        }
        foreach ($this->joints as $conductor => $to) {
            $there = array_values(array_filter(
                $at[Node::named($to)] ?? [],
                static fn (Joint $joint): bool => $joint->conductor !== (string) $conductor,
            ));
            $fitting = Node::fitting(Node::named($to));
            $address = Node::address(Node::named($to));
            $clashes = $there !== [] && $fitting !== null &&
                ! $this->mayMeet($on, $fitting, $address, $there, (string) $conductor);
            if ($clashes && ($on->cable($this->at)->conductors()[$conductor] ?? null)?->isMainsDrain() === true) {
                throw CannotJoin::because('to', $address, sprintf(
                    'The drain of mains shares contact %s of %s with protective earth alone, and at both ends of the '.
                    'cable in one go. Do that instead.',
                    $address,
                    $on->fitting($fitting)->label,
                ));
            }
            if ($clashes) {
                throw CannotJoin::because('to', $address, sprintf(
                    '%s is on contact %s of %s already. Move it first, or declare the contact as shared.',
                    $on->cable($this->at)->element($there[0]->conductor)->label ?? $there[0]->conductor,
                    $address,
                    $on->fitting($fitting)->label,
                ));
            }
        }
    }

    /** @param  non-empty-list<Joint>  $there */
    private function mayMeet(Sketch $on, string $fitting, string $address, array $there, string $conductor): bool
    {
        if (in_array($address, $on->fitting($fitting)->shared, true)) {
            return true;
        }
        // A screen and its drain, or the like poles of a quad, serve one thing together.
        $conductors = $on->cable($this->at)->conductors();
        $parent = $conductors[$conductor]->parent ?? '';

        return array_filter(
            $there,
            static fn (Joint $joint): bool => ($conductors[$joint->conductor]->parent ?? '?') !== $parent ||
                ! ($conductors[$joint->conductor] ?? null)?->isBare() ||
                ! ($conductors[$conductor] ?? null)?->isBare(),
        ) === [];
    }
}
