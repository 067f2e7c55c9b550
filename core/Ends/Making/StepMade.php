<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;

/** One step as it was done on a workpiece. */
final readonly class StepMade
{
    /** @param  list<string>  $lacks  what was not as it had to be: it was not done then */
    public function __construct(
        public MakingStep $step,
        public Doing $doing,
        public Workpiece $before,
        public Workpiece $after,
        public array $lacks,
    ) {
    }

    /** Whether this one and one that comes right after it may be done the other way round. */
    public function isFreeOf(self $next): bool
    {
        return $this->regions()->areApart($next->regions());
    }

    public function regions(): Regions
    {
        $regions = Acts::of($this->step->verb)->regions($this->before, $this->doing);
        $from = match ($this->step->measure?->from) {
            MeasuredFrom::Mark => ['marks'],
            MeasuredFrom::Equipment => ['measured'],
            default => [],
        };

        return new Regions([...$regions->reads, ...$from], $regions->writes);
    }
}
