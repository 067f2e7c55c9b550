<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Landing;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Hands;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/** Legs that land in one connector by one plan become one, as long as the longest. */
final readonly class Gather implements Gesture
{
    /** @param  list<string>  $legs  ids */
    public function __construct(private RunEnd $at, private array $legs)
    {
    }

    public function draw(Sketch $on): void
    {
        $end = $on->end($this->at);
        $legs = array_map(static fn (string $id): Leg => Legs::one($end, $id), array_values(array_unique($this->legs)));
        if (count($legs) < 2) {
            throw CannotJoin::because('legs', (string) count($legs), 'Choose two legs at least.');
        }
        [$first, $elements, $channels, $length] = [$legs[0], [], [], $legs[0]->length];
        foreach ($legs as $leg) {
            if (
                $leg->landing?->fitting !== $first->landing?->fitting || $leg->landing?->plan !== $first->landing?->plan
            ) {
                throw CannotJoin::because('legs', $leg->label, sprintf(
                    'It does not land where leg %s does, or by another plan. Gather legs of one connector.',
                    $first->label,
                ));
            }
            array_push($elements, ...$leg->elements);
            $channels += $leg->landing->channels ?? [];
            $length = $leg->length->compare($length) > 0 ? $leg->length : $length;
        }
        $landing = $first->landing === null
            ? null
            : new Landing($first->landing->fitting, $first->landing->plan, $channels);
        $made = [];
        foreach ($end->legs as $leg) {
            if ($leg === $first) {
                $made[] = $leg->holding($elements, $landing)->withLength($length);
            } elseif (! in_array($leg, $legs, true)) {
                $made[] = $leg;
            }
        }
        $on->put($this->at, Hands::whole($end->withLegs($made), $on->run($this->at), $on->cable($this->at)));
    }

    public function words(Installation $in): string
    {
        return sprintf('%s: %d legs made one', $this->at->words($in), count($this->legs));
    }
}
