<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\NewFitting;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Joining\Soundness;

/** Jumpers between contacts or splices: of connectors that are there, or to a new one that nothing else comes to. */
final readonly class Jump implements Gesture
{
    /**
     * @param  list<array{string, string}>  $pairs  from → to, each "fitting/address" or "splice:id"; to a new connector
     *     its address alone
     * @param  ?NewFitting  $into  the new connector
     * @param  ?RunEnd  $at  whose connector that is beside
     * @param  bool  $checked  whether it is looked at what it leads together
     */
    public function __construct(
        private array $pairs,
        private string $note = 'jumper',
        private ?NewFitting $into = null,
        private ?RunEnd $at = null,
        private bool $checked = true,
    ) {
    }

    public function draw(Sketch $on): void
    {
        if ($this->pairs === []) {
            throw CannotJoin::because('to', '', 'Choose two contacts at least.');
        }
        $prefix = $this->into !== null && $this->at !== null ? $on->bring($this->into, $this->at).'/' : '';
        $links = $on->now()->links();
        $places = [];
        foreach ($this->pairs as [$from, $to]) {
            $from = $on->place($from, 'from');
            $to = $on->place($prefix.$to, 'to');
            if ($from === $to) {
                throw CannotJoin::because('to', $to, 'A jumper leads to another contact. Choose one.');
            }
            if (Soundness::between($on->now()->links(), $from, $to) !== null) {
                throw CannotJoin::because('to', $to, 'There is a jumper between these two already.');
            }
            $links[] = new Link($from, $to, $this->note);
            $on->links($links);
            array_push($places, $from, $to);
        }
        // Of what a pattern draws it is known that it leads like to like.
        if (! $this->checked) {
            return;
        }
        Soundness::asBefore($on, 'to', $places);
    }

    public function words(Installation $in): string
    {
        $n = count($this->pairs);

        return $n === 1 ? 'A jumper added' : $n.' jumpers added';
    }
}
