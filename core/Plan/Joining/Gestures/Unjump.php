<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Joining\Soundness;

/** A jumper goes. */
final readonly class Unjump implements Gesture
{
    public function __construct(private string $from, private string $to)
    {
    }

    public function draw(Sketch $on): void
    {
        $links = $on->now()->links();
        $gone = Soundness::between($links, $this->from, $this->to) ??
            throw CannotJoin::because('to', $this->to, 'There is no such jumper any more. Load the page again.');
        $on->links(array_values(array_filter($links, static fn (Link $link): bool => $link !== $gone)));
    }

    public function words(Installation $in): string
    {
        return 'A jumper removed';
    }
}
