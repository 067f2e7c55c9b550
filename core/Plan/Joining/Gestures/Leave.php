<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Catalogue\ElementPath;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Hands;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/** Elements or single conductors stay unjoined, and it is said why. */
final readonly class Leave implements Gesture
{
    /**
     * @param  list<string>  $elements  paths; one of a leg that stays is left out of the plan by hand
     * @param  string  $reason  as it is printed: "cut off", "insulated", "spare, parked" …
     */
    public function __construct(private RunEnd $at, private array $elements, private string $reason)
    {
    }

    public function draw(Sketch $on): void
    {
        if (trim($this->reason) === '') {
            throw CannotJoin::because('reason', '', 'Say why it stays unjoined: that stands on the sheet.');
        }
        $cable = $on->cable($this->at);
        foreach (Hands::known($this->elements, $cable) as $element) {
            $end = Hands::unsaid($on->end($this->at), [$element]);
            $parent = $cable->conductors()[$element]->parent ?? '';
            $stays = false;
            foreach ($end->legs as $leg) {
                // Its neighbours in the same pair are made all the same, so it leaves the sheath with them.
                $holds = $leg->landing !== null && ElementPath::isWithinAny($parent, $leg->elements);
                $stays = $stays || ($parent !== '' && $holds);
            }
            if ($stays) {
                $on->put($this->at, $end->joinedByHand($element, new HandJoint($element, null, $this->reason)));

                continue;
            }
            $end = Hands::takenOut($end, [$element], $on->run($this->at), $cable);
            $on->put($this->at, $end->saying($end->handJoints, [...$end->unused, $element => $this->reason]));
        }
    }

    public function words(Installation $in): string
    {
        return sprintf('%s: %d left, %s', $this->at->words($in), count($this->elements), $this->reason);
    }
}
