<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Sketch;

/** Gestures one after another, as one: all of them, or none. */
final readonly class InTurn implements Gesture
{
    /**
     * @param  non-empty-array<int, Gesture>  $gestures  by the line that they were written in
     */
    public function __construct(private array $gestures)
    {
    }

    public function draw(Sketch $on): void
    {
        $wrong = [];
        foreach ($this->gestures as $line => $gesture) {
            try {
                $gesture->draw($on);
            } catch (CannotJoin $cannot) {
                $wrong[] = count($this->gestures) === 1 ? $cannot : $cannot->inLine($line);
            }
        }
        if ($wrong !== []) {
            throw CannotJoin::several($wrong);
        }
    }

    public function words(Installation $in): string
    {
        $first = array_values($this->gestures)[0]->words($in);
        $more = count($this->gestures) - 1;

        return $more === 0 ? $first : sprintf('%s, and %d more', $first, $more);
    }
}
