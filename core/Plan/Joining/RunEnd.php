<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;

/** One end of one run, by the run's id. */
final readonly class RunEnd
{
    public function __construct(public string $run, public Side $side)
    {
    }

    /** As people call it: "M-201 end A". */
    public function words(Installation $in): string
    {
        return sprintf('%s end %s', $in->run($this->run)->code ?? $this->run, $this->side->value);
    }
}
