<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Joining\Soundness;

/** Conductors of one end or of several meet in a splice; one wire leads on from it to a contact where that is said. */
final readonly class Splice implements Gesture
{
    /**
     * @param  list<array{RunEnd, string}>  $conductors  whose end, and path in its cable
     * @param  string  $to  "fitting/address"; "": nothing leads on
     */
    public function __construct(private array $conductors, private string $to = '', private string $reason = 'spliced')
    {
    }

    public function draw(Sketch $on): void
    {
        if (count($this->conductors) < 2) {
            throw CannotJoin::because('elements', (string) count($this->conductors), 'Choose two conductors at least.');
        }
        $splice = $on->splice();
        $said = [];
        foreach ($this->conductors as [$at, $conductor]) {
            if (! isset($on->cable($at)->conductors()[$conductor])) {
                throw CannotJoin::because(
                    'elements',
                    $conductor,
                    sprintf('%s has no conductor "%s". Choose one that it has.', $on->cable($at)->name, $conductor),
                );
            }
            $key = $at->words($on->now()).' '.$conductor;
            if (isset($said[$key])) {
                throw CannotJoin::because('elements', $conductor, 'It is named twice. Name each conductor once.');
            }
            $said[$key] = true;
            $on->put($at, $on->end($at)->joinedByHand($conductor, new HandJoint($conductor, $splice, $this->reason)));
        }
        if ($this->to !== '') {
            $links = [...$on->now()->links(), new Link($splice, $on->place($this->to, 'to'), 'from the splice')];
            $on->links($links);
        }
        Soundness::asBefore($on, 'elements', $this->to === '' ? [$splice] : [$splice, $this->to]);
    }

    public function words(Installation $in): string
    {
        return sprintf('%d conductors spliced', count($this->conductors));
    }
}
