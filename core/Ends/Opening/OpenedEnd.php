<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Opening;

use Sartal\Core\Ends\Making\Arrival;
use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Given\Measure\Length;

/** An end that is opened into its legs before any of them is made. */
final readonly class OpenedEnd
{
    /**
     * @param  array<int|string, SlideOn>  $parts  that go on before, by what its procedure calls them
     * @param  Length  $sleeved  how much of a leg is sleeved by itself; nothing of none
     * @param  string  $leg  id of the one that is; "" none
     */
    public function __construct(
        public MadeEnd $made,
        public array $parts,
        public Length $sleeved,
        public string $leg,
    ) {
    }

    /** @return array<int|string, SlideOn> those that come over this end */
    public function slidHere(): array
    {
        $arrive = $this->arrivals();

        return array_filter(
            $this->parts,
            static fn (int|string $name): bool => ($arrive[$name] ?? null) !== Arrival::There,
            ARRAY_FILTER_USE_KEY,
        );
    }

    /** @return list<string> each once, as they are taken up */
    public function tools(): array
    {
        $tools = array_map(static fn (StepMade $step): string => $step->step->tool, $this->made->made->steps);

        return array_values(array_unique(array_diff($tools, [''])));
    }

    /** @return array<int|string, Arrival> how each of them comes to its place */
    private function arrivals(): array
    {
        return ($this->made->made->steps[0] ?? null)?->doing->station->parts->arrive ?? [];
    }
}
