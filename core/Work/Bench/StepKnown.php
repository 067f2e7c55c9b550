<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Measure\Figure;

/** What is known of one step of a procedure by those who did it. */
final readonly class StepKnown
{
    /**
     * @param  ?Figure  $minutes  min for one; null where nobody's time was taken
     * @param  int  $found  ends that had the defect which its check finds
     * @param  int  $looked  of so many that were looked over
     */
    public function __construct(public ?Figure $minutes, public int $found, public int $looked)
    {
    }
}
