<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\FreeName;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Joining\Soundness;

/**
 * A switch between two contacts, in place of the jumper there, if there is one. In series with a single contact, what
 * is joined there comes to a splice, and the switch leads on from that to the contact.
 */
final readonly class FitSwitch implements Gesture
{
    /**
     * @param  string  $from  "fitting/address" or "splice:id"; "": in series with the other
     * @param  string  $to  the same
     * @param  bool  $checked  whether it is looked at what it leads together
     */
    public function __construct(
        private string $name,
        private string $from,
        private string $to,
        private bool $closedAtRest = true,
        private bool $checked = true,
    ) {
    }

    public function draw(Sketch $on): void
    {
        $to = $on->place($this->to, 'to');
        $from = $this->from === '' ? $this->parted($on, $to) : $on->place($this->from, 'from');
        if ($from === $to) {
            throw CannotJoin::because('to', $to, 'A switch is between two contacts. Choose another.');
        }
        $links = $on->now()->links();
        $jumper = Soundness::between($links, $from, $to);
        if ($jumper !== null) {
            $on->links(array_values(array_filter($links, static fn (Link $link): bool => $link !== $jumper)));
        }
        $switches = $on->now()->switches();
        foreach ($switches as $switch) {
            if ([$switch->from, $switch->to] === [$from, $to] || [$switch->to, $switch->from] === [$from, $to]) {
                throw CannotJoin::because('to', $to, sprintf('%s is between these two already.', $switch->name));
            }
        }
        $id = FreeName::after('switch-', static fn (string $name): bool => isset($switches[$name]));
        $name = trim($this->name) === '' ? ucfirst(strtr($id, '-', ' ')) : trim($this->name);
        $on->switches($switches + [$id => new PanelSwitch($id, $name, $from, $to, $this->closedAtRest)]);
        if ($this->checked) {
            Soundness::asBefore($on, 'to', [$from, $to]);
        }
    }

    public function words(Installation $in): string
    {
        return sprintf('%s fitted', trim($this->name) === '' ? 'A switch' : $this->name);
    }

    /**
     * What is joined to a contact comes to a splice before it.
     *
     * @throws CannotJoin
     */
    private function parted(Sketch $on, string $at): string
    {
        $node = Node::named($at);
        $moved = [];
        foreach ($on->now()->runs() as $run) {
            foreach ($run->withdrawn ? [] : Side::cases() as $side) {
                $end = new RunEnd($run->id, $side);
                foreach (self::mayCome($run->end($side), $at) ? $on->pinout($end)->joints : [] as $joint) {
                    array_push($moved, ...$joint->to === $node ? [[$end, $joint->conductor]] : []);
                }
            }
        }
        if ($moved === []) {
            throw CannotJoin::because(
                'to',
                $at,
                'Nothing is joined there. Join something first, or name two contacts.',
            );
        }
        $splice = $on->splice();
        foreach ($moved as [$end, $conductor]) {
            $on->put($end, $on->end($end)->joinedByHand(
                $conductor,
                new HandJoint($conductor, $splice, 'by way of '.(trim($this->name) === '' ? 'a switch' : $this->name)),
            ));
        }

        return $splice;
    }

    /** Whether an end comes to the connector of a contact at all. */
    private static function mayCome(End $end, string $at): bool
    {
        $fitting = JoiningPlace::from($at)->fitting;
        foreach ($end->legs as $leg) {
            if ($leg->landing?->fitting === $fitting) {
                return true;
            }
        }
        foreach ($end->handJoints as $joint) {
            if ($joint->to === $at) {
                return true;
            }
        }

        return false;
    }
}
