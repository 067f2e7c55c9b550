<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Ways\Looming\Layout;
use Sartal\Core\Ways\Routing\WayLoad;

/** Everything that follows from an installation and its record. */
final class Plan
{
    /** @var ?array<int|string, list<Finding>> */
    private ?array $bySubject = null;

    /**
     * @param  array<int|string, RunPlan>  $runs
     * @param  array<int|string, Assembly>  $assemblies
     * @param  array<int|string, string>  $assemblyOf  run → assembly
     * @param  array<int|string, list<Bead>>  $strands  by run
     * @param  array<int|string, Fingerprints>  $fingerprints  by run
     * @param  array<array-key, string>  $rotations  printed text → what it reads upside down
     * @param  list<Finding>  $findings
     * @param  array<int|string, WayLoad>  $ways  what lies in each
     */
    public function __construct(
        public readonly array $runs,
        public readonly array $assemblies,
        public readonly array $assemblyOf,
        public readonly array $strands,
        public readonly array $fingerprints,
        public readonly array $rotations,
        public readonly array $findings,
        public readonly Layout $layout,
        public readonly array $ways,
    ) {
    }

    /** @return list<Finding> */
    public function findingsOn(Subject $subject): array
    {
        if ($this->bySubject === null) {
            $this->bySubject = [];
            foreach ($this->findings as $finding) {
                $this->bySubject[$finding->subject->text()][] = $finding;
            }
        }

        return $this->bySubject[$subject->text()] ?? [];
    }
}
