<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Runs;

use Closure;
use Sartal\Core\Ends\Labelling\Label;
use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Ways\Looming\Lay;

/**
 * What follows for one run from what was decided about it. Its length and labels are asked of every run; its joints
 * and what is wrong with it are worked out when somebody asks.
 */
final class RunPlan
{
    /** @var ?list<Finding> */
    private ?array $findings = null;

    /**
     * @param  list<Label>  $labels
     * @param  Closure(): array<int|string, EndPinout>  $joined  its ends by side
     * @param  Closure(self): list<Finding>  $judged  what is not right with it by itself
     * @param  Lately<self, array<int|string, EndPinout>>  $lately  ends of runs
     */
    public function __construct(
        public readonly string $run,
        public readonly Worked $cut,
        public readonly array $labels,
        public readonly Lay $lay,
        private readonly Closure $joined,
        private readonly Closure $judged,
        private readonly Lately $lately,
    ) {
    }

    /** @return array<int|string, EndPinout> by side */
    public function ends(): array
    {
        return $this->lately->of($this, $this->joined);
    }

    public function end(Side $side): EndPinout
    {
        return $this->ends()[$side->value] ?? new EndPinout([], [], []);
    }

    /** @return list<Joint> of both ends */
    public function joints(): array
    {
        $joints = [];
        foreach ($this->ends() as $end) {
            array_push($joints, ...$end->joints);
        }

        return $joints;
    }

    /** @return list<Finding> of this run by itself */
    public function findings(): array
    {
        return $this->findings ??= ($this->judged)($this);
    }
}
