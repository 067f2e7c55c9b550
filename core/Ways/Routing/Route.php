<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Measure\Length;

/** The ways of one run from end A to end B, and what is wrong with them. */
final readonly class Route
{
    /**
     * @param  list<Hop>  $hops
     * @param  bool  $pinned  a planner said so; else it was found
     * @param  list<Finding>  $findings
     */
    public function __construct(public array $hops, public bool $pinned, public array $findings = [])
    {
    }

    public function length(): Length
    {
        $total = Length::zero();
        foreach ($this->hops as $hop) {
            $total = $total->plus($hop->way->length);
        }

        return $total;
    }

    /** @return list<string> way ids */
    public function ways(): array
    {
        return array_map(static fn (Hop $hop): string => $hop->way->id, $this->hops);
    }

    public function follows(string $way): bool
    {
        return in_array($way, $this->ways(), true);
    }
}
