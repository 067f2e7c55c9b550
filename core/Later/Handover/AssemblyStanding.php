<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Handover;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Measure\Lean;

/** Where one assembly stands: everything that its own record says of it, and nothing of anybody else's. */
final readonly class AssemblyStanding
{
    use Lean;

    /**
     * @param  string  $code  what it is called
     * @param  array<int|string, RunStanding>  $runs  by id
     * @param  list<string>  $basis  ids of what something that is done to it now is done on
     * @param  list<Finding>  $results  what is not right with the results that count
     * @param  list<Gap>  $gaps  what is missing, whoever may test
     * @param  list<string>  $licensed  who took the tests that count and had to be licensed for it
     */
    public function __construct(
        public string $id,
        public string $code,
        public array $runs,
        public array $basis,
        public array $results,
        public array $gaps,
        public array $licensed,
    ) {
    }
}
