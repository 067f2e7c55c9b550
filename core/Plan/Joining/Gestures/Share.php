<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Sketch;

/** Contacts on which several wires are meant to meet, or are meant to no more. */
final readonly class Share implements Gesture
{
    /** @param  list<string>  $addresses */
    public function __construct(private string $fitting, private array $addresses, private bool $shared = true)
    {
    }

    public function draw(Sketch $on): void
    {
        $fitting = $on->fitting($this->fitting);
        foreach ($this->addresses as $address) {
            $on->place(JoiningPlace::contact($fitting->id, $address)->text(), 'contacts');
        }
        $others = array_values(array_diff($fitting->shared, $this->addresses));
        $on->putFitting($fitting->sharing($this->shared ? [...$others, ...array_unique($this->addresses)] : $others));
    }

    public function words(Installation $in): string
    {
        return sprintf(
            '%s: contact %s %s',
            $in->fitting($this->fitting)->label ?? $this->fitting,
            implode(', ', $this->addresses),
            $this->shared ? 'shared' : 'no longer shared',
        );
    }
}
