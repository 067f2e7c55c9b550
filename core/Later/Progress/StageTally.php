<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Progress;

/** How many runs of a group have come to one stage, of those that have to. */
final readonly class StageTally
{
    /**
     * @param  int  $of  runs that have such a stage
     * @param  int  $overtaken  done, and the plan has changed since: they are not among those that are done
     */
    public function __construct(public int $of, public int $done, public int $failed, public int $overtaken)
    {
    }
}
