<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Hands;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/** What was said by hand of elements or conductors is taken back: the plan decides again. */
final readonly class AsPlanned implements Gesture
{
    /** @param  list<string>  $elements */
    public function __construct(private RunEnd $at, private array $elements)
    {
    }

    public function draw(Sketch $on): void
    {
        $elements = Hands::known($this->elements, $on->cable($this->at));
        $on->put($this->at, Hands::unsaid($on->end($this->at), $elements));
    }

    public function words(Installation $in): string
    {
        return sprintf('%s: as the plans have it again', $this->at->words($in));
    }
}
