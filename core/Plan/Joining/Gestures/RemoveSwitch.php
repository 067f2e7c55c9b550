<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Sketch;

/** A switch goes. One in series with a contact leaves its splice, which goes by itself ({@see Unsplice}). */
final readonly class RemoveSwitch implements Gesture
{
    public function __construct(private string $switch)
    {
    }

    public function draw(Sketch $on): void
    {
        $switches = $on->now()->switches();
        if (! isset($switches[$this->switch])) {
            throw CannotJoin::unknown('switch', $this->switch, 'switch');
        }
        $on->switches(array_diff_key($switches, [$this->switch => true]));
    }

    public function words(Installation $in): string
    {
        return sprintf('%s removed', $in->switch($this->switch)->name ?? 'A switch');
    }
}
