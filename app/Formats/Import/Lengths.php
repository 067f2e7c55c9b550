<?php

declare(strict_types=1);

namespace App\Formats\Import;

use Illuminate\Support\Str;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;

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

    /** @var array<int|string, string> place → another of those that ways join it with */
    private array $joined = [];

    public function __construct(private readonly Installation $in)
    {
        foreach ($in->ways() as $way) {
            if ($way->joins()) {
                $this->joined[$this->group($way->from)] = $this->group($way->to);
            }
        }
    }

    public function say(Run $run, Length $length): void
    {
        [$from, $to] = [$run->a->location, $run->b->location];
        if ($run->ways !== [] || $from === $to || $this->group($from) === $this->group($to)) {
            $this->passedOver++;

            return;
        }
        $pair = min($from, $to)."\0".max($from, $to);
        $was = $this->missing[$pair][2] ?? null;
        $this->missing[$pair] = [$from, $to, $was !== null && $was->compare($length) > 0 ? $was : $length];
    }

    /** Pairs of places of which a length is said and between which no way leads. */
    public function missing(): int
    {
        return count($this->missing);
    }

    /**
     * @param  Installation  $with  what comes in with them
     * @return array<int|string, Way>
     */
    public function ways(Installation $with): array
    {
        $ways = [];
        foreach ($this->missing as [$from, $to, $length]) {
            $name = $with->locationName($from).' – '.$with->locationName($to);
            $base = mb_substr(Str::slug($name), 0, 50);
            $base = $base === '' ? 'way' : $base;
            for ($n = 2, $id = $base; isset($ways[$id]) || isset($this->in->ways()[$id]); $n++) {
                $id = $base.'-'.$n;
            }
            $ways[$id] = new Way($id, $name, WayKind::FreeAir, $length, $from, $to);
        }

        return $ways;
    }

    private function group(string $place): string
    {
        $at = $place;
        while (isset($this->joined[$at]) && $this->joined[$at] !== $at) {
            $at = $this->joined[$at];
        }

        return $at;
    }
}
