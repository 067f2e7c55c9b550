<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Hands;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/** Elements come off whatever they land in. A connector that nothing comes to any more goes. */
final readonly class Free implements Gesture
{
    /** @param  list<string>  $elements */
    public function __construct(private RunEnd $at, private array $elements)
    {
    }

    public function draw(Sketch $on): void
    {
        $cable = $on->cable($this->at);
        $elements = Hands::known($this->elements, $cable);
        $end = Hands::takenOut($on->end($this->at), $elements, $on->run($this->at), $cable);
        $on->put($this->at, Hands::unsaid($end, $elements));
    }

    public function words(Installation $in): string
    {
        return sprintf('%s: %d taken off', $this->at->words($in), count($this->elements));
    }
}
