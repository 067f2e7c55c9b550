<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Given\Catalogue\Procedures\Verb;

/**
 * The steps of an end from where it meets its connector, gathered into what hands do in one go: what is brought to its
 * place is so for what follows, looks one after the other are one look, and what ends with closing is closing.
 */
final readonly class SecondHalf
{
    /**
     * @param  non-empty-list<list<int>>  $groups  places of steps, in order; the last is what closes it
     * @param  int  $last  place of the look that comes last; -1 where there is none
     */
    private function __construct(public array $groups, private int $last)
    {
    }

    public static function of(MadeEnd $end): self
    {
        $steps = $end->made->steps;
        $closing = count($steps);
        while ($closing > $end->meets() && self::closes($steps[$closing - 1])) {
            $closing--;
        }
        $groups = $open = [];
        $last = -1;
        for ($i = $end->meets(); $i < $closing; $i++) {
            $verb = $steps[$i]->step->verb;
            if ($verb === Verb::Cool) {
                continue;
            }
            $open[] = $i;
            $next = $i + 1 < $closing ? $steps[$i + 1]->step->verb : null;
            $isLook = $verb === Verb::LookOver;
            $last = $isLook || $verb === Verb::Mate ? $i : $last;
            $isWithNext = self::isBroughtUp($steps[$i]) ||
                ($isLook && in_array($next, [Verb::LookOver, Verb::Mate], true));
            if (! $isWithNext) {
                $groups[] = $open;
                $open = [];
            }
        }
        for ($i = $closing; $i < count($steps); $i++) {
            if ($steps[$i]->step->verb === Verb::Seat && ! self::isBroughtUp($steps[$i])) {
                // A part that is added now, and is a step by itself.
                array_push($groups, ...$open === [] ? [] : [$open], ...[[$i]]);
                $open = [];
            } else {
                $open[] = $i;
            }
        }
        $groups[] = $open;

        return new self($groups, $last);
    }

    /** Whether it is looked over at all by a step of its own. */
    public function isLooked(): bool
    {
        return $this->last >= 0;
    }

    /**
     * Whether it is the look after which nothing is looked at any more.
     *
     * @param  list<int>  $group
     */
    public function isLast(array $group): bool
    {
        return in_array($this->last, $group, true);
    }

    /** It lies on the cable, and comes to its place with what follows. */
    private static function isBroughtUp(StepMade $step): bool
    {
        return $step->step->verb === Verb::Seat && $step->doing->station->parts->isSlid($step->step->part);
    }

    private static function closes(StepMade $step): bool
    {
        $verb = $step->step->verb;
        // Both halves in each other hold what is tightened.
        $isTightened = $verb === Verb::Mate && $step->step->part !== '';

        return $isTightened ||
            in_array($verb, [Verb::Seat, Verb::Fix, Verb::Tie, Verb::Close, Verb::Coil, Verb::Cool], true);
    }
}
