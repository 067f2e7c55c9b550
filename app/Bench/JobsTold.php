<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Work\Bench\TimeBook;

/** Jobs as they stand, or those of them that may be others since: all of one reading, with how long hands take. */
final readonly class JobsTold
{
    /** @param  list<KeptJob>  $jobs  in their order; in any where they are a part */
    public function __construct(
        public JobCursor $cursor,
        public array $jobs,
        public bool $isPart,
        public TimeBook $times,
    ) {
    }
}
