<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/** A splice goes, with what leads on from it; its conductors are where the plans have them again. */
final readonly class Unsplice implements Gesture
{
    /** @param  string  $splice  "splice:id" */
    public function __construct(private string $splice)
    {
    }

    public function draw(Sketch $on): void
    {
        $splice = $on->place($this->splice, 'splice');
        foreach ($on->now()->runs() as $run) {
            foreach (Side::cases() as $side) {
                $end = $run->end($side);
                $left = array_values(array_filter(
                    $end->handJoints,
                    static fn (HandJoint $joint): bool => $joint->to !== $splice,
                ));
                if (count($left) !== count($end->handJoints) && ! $run->withdrawn) {
                    $on->put(new RunEnd($run->id, $side), $end->saying($left, $end->unused));
                }
            }
        }
        $touches = static fn (Link|PanelSwitch $between): bool => in_array(
            $splice,
            [$between->from, $between->to],
            true,
        );
        $on->links(array_values(array_filter($on->now()->links(), static fn (Link $link): bool => ! $touches($link))));
        $on->switches(array_filter(
            $on->now()->switches(),
            static fn (PanelSwitch $switch): bool => ! $touches($switch),
        ));
        $id = JoiningPlace::from($splice)->splice;
        $on->splices(array_values(array_filter(
            $on->now()->splices(),
            static fn (string $each): bool => $each !== $id,
        )));
    }

    public function words(Installation $in): string
    {
        return 'A splice undone';
    }
}
