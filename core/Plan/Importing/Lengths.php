<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Importing;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Names;
use Sartal\Core\Ways\Routing\Network;

/**
 * How long a spreadsheet says that runs are which lie in the building. Here ways have lengths and runs lie in them, so
 * that a length is of use only where no way leads from one place to the other yet: a way of the longest that is said.
 */
final class Lengths
{
    /** Where there are ways: how many lengths are passed over. */
    public int $passedOver = 0;

    /** @var array<string, array{string, string, Length}> pair of places → both, and the longest */
    private array $missing = [];

    private readonly Network $network;

    /** @var array<int|string, array<int|string, true>> place → every place that ways join it with */
    private array $joined = [];

    public function __construct(private readonly Installation $in)
    {
        $this->network = new Network($in->ways());
    }

    public function say(Run $run, Length $length): void
    {
        [$from, $to] = [$run->a->location, $run->b->location];
        if ($run->ways !== [] || isset($this->joinedWith($from)[$to])) {
            $this->passedOver++;

            return;
        }
        $pair = min($from, $to)."\0".max($from, $to);
        // It is named the way in which the first of them goes.
        $was = $this->missing[$pair] ?? [$from, $to, $length];
        $this->missing[$pair] = $was[2]->compare($length) > 0 ? $was : [$was[0], $was[1], $length];
    }

    /** Pairs of places of which a length is said and between which no way leads. */
    public function missing(): int
    {
        return count($this->missing);
    }

    /**
     * One way for each of those pairs, in free air.
     *
     * @param  Installation  $with  what comes in with them
     * @return array<int|string, Way>
     */
    public function ways(Installation $with): array
    {
        $ways = [];
        foreach ($this->missing as [$from, $to, $length]) {
            $name = $with->locationName($from).' – '.$with->locationName($to);
            $id = Names::free($name, $ways + $this->in->ways(), 'way');
            $ways[$id] = new Way($id, $name, WayKind::FreeAir, $length, $from, $to);
        }

        return $ways;
    }

    /** @return array<int|string, true> itself among them */
    private function joinedWith(string $place): array
    {
        if (! isset($this->joined[$place])) {
            $reached = $this->network->reachable($place, static fn (): bool => true);
            foreach (array_keys($reached) as $each) {
                $this->joined[$each] = $reached;
            }
        }

        return $this->joined[$place];
    }
}
