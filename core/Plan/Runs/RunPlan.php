<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Runs;

use Sartal\Core\Ends\Labelling\Label;
use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Ways\Looming\Lay;

/** What follows for one run from what was decided about it. */
final readonly class RunPlan
{
    /**
     * @param  array<int|string, EndPinout>  $ends  by side
     * @param  list<Label>  $labels
     * @param  list<Finding>  $findings
     */
    public function __construct(
        public string $run,
        public Worked $cut,
        public array $ends,
        public array $labels,
        public array $findings,
        public Lay $lay,
    ) {
    }

    /** @return list<Joint> of both ends */
    public function joints(): array
    {
        $joints = [];
        foreach ($this->ends as $end) {
            array_push($joints, ...$end->joints);
        }

        return $joints;
    }

    public function end(Side $side): EndPinout
    {
        return $this->ends[$side->value] ?? new EndPinout([], [], []);
    }
}
