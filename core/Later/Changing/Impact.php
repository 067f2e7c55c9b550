<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Work\Parts\PartsList;

/** Everything that a change overtakes, before anybody makes it. */
final readonly class Impact
{
    /**
     * @param  array<int|string, RunImpact>  $runs  by run
     * @param  Figure  $minutes  of the best set
     * @param  Figure  $cost  of the best set: its hours, and its parts by their share of a pack
     * @param  PartsList  $parts  of the best set: what is to be bought
     * @param  list<string>  $restored  codes of runs on which less is overtaken afterwards
     * @param  list<Finding>  $comes  findings that would be new
     * @param  list<Finding>  $goes  findings that would be gone
     */
    public function __construct(
        public array $runs,
        public Figure $minutes,
        public Figure $cost,
        public PartsList $parts,
        public array $restored,
        public array $comes,
        public array $goes,
    ) {
    }

    public function isNothing(): bool
    {
        return $this->runs === [];
    }

    /** Whether pieces of other runs may help, and nobody has looked for them. */
    public function isOpen(): bool
    {
        foreach ($this->runs as $run) {
            foreach ($run->overtaken as $each) {
                if ($each->isOpen) {
                    return true;
                }
            }
        }

        return false;
    }

    /** How many pieces of work. */
    public function count(): int
    {
        return array_sum(array_map(static fn (RunImpact $run): int => count($run->overtaken), $this->runs));
    }
}
