<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;

/** One end of a run: where it is, what it needs in length, and the legs it parts into. */
final readonly class End
{
    /**
     * @param  Length  $tail  from where the way leaves off to the fitting
     * @param  Length  $slack  service slack left at this end
     * @param  Length  $preparation  used up each time the end is made
     * @param  int  $spares  further times that the end can be made again
     * @param  list<Leg>  $legs
     * @param  list<HandJoint>  $exceptions
     * @param  array<int|string, string>  $unused  conductor or element path → reason
     */
    public function __construct(
        public string $location,
        public Length $tail,
        public Length $slack,
        public Length $preparation,
        public int $spares,
        public array $legs,
        public array $exceptions = [],
        public array $unused = [],
    ) {
    }

    public function exceptionFor(string $conductor): ?HandJoint
    {
        foreach ($this->exceptions as $exception) {
            if ($exception->conductor === $conductor) {
                return $exception;
            }
        }

        return null;
    }
}
