<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Arrival;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;

/** A part comes to its place. */
final readonly class Seat implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $part = $doing->step->part;
        $needs = [];
        $arrival = $doing->station->parts->arrive[$part] ?? null;
        if ($arrival === null) {
            $needs[] = sprintf('There is no %s here.', $part);
        }
        $isSlid = $arrival === Arrival::Slid || $arrival === Arrival::SlidHere;
        if ($isSlid && ! in_array($part, $on->laid, true)) {
            $needs[] = sprintf('The %s is not on the cable.', $part);
        }
        if (in_array($part, $on->seated, true)) {
            $needs[] = sprintf('The %s is in its place already.', $part);
        }
        // What was put on later is nearer to the end, and in front of it.
        $inFront = $isSlid && ! in_array($part, $doing->station->parts->under, true)
            ? array_slice($on->laid, (int) array_search($part, $on->laid, true) + 1)
            : [];
        foreach (array_diff($inFront, $doing->station->parts->under) as $before) {
            $needs[] = sprintf('The %s lies in front of the %s.', $before, $part);
        }
        foreach (array_keys($on->hot) as $hot) {
            $needs[] = sprintf('%s is still hot.', ucfirst((string) $hot));
        }
        foreach ($doing->station->terminals->all() as $terminal) {
            if (! isset($on->joined[$terminal]) && $on->inserted === [] && ! $on->pushedOn) {
                $needs[] = sprintf('Terminal %s is not joined yet.', $terminal);
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->seating($doing->step->part);
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(['joints', Regions::CLOCK], ['on the cable']);
    }
}
