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
    /** @var list<Finding> all of them */
    public readonly array $findings;

    /** @var ?array<int|string, list<Finding>> by the text of its subject */
    private ?array $judgedBy = null;

    /** @var ?array<int|string, list<Finding>> by the text of its subject */
    private ?array $resultsBy = null;

    /**
     * @param  array<int|string, RunPlan>  $runs
     * @param  array<int|string, Assembly>  $assemblies
     * @param  array<int|string, string>  $assemblyOf  run → assembly
     * @param  array<int|string, list<Bead>>  $strands  by run
     * @param  array<int|string, Fingerprints>  $fingerprints  by run
     * @param  array<array-key, string>  $rotations  printed text → what it reads upside down
     * @param  list<Finding>  $judged  what is not right with what was decided
     * @param  list<Finding>  $results  what is not right with results that count
     * @param  array<int|string, WayLoad>  $ways  what lies in each
     */
    public function __construct(
        public readonly array $runs,
        public readonly array $assemblies,
        public readonly array $assemblyOf,
        public readonly array $strands,
        public readonly array $fingerprints,
        public readonly array $rotations,
        public readonly array $judged,
        public readonly array $results,
        public readonly Layout $layout,
        public readonly array $ways,
    ) {
        $this->findings = [...$judged, ...$results];
    }

    /** @return list<Finding> that follow from what was decided */
    public function judgedOn(Subject $subject): array
    {
        $this->judgedBy ??= self::bySubject($this->judged);

        return $this->judgedBy[$subject->text()] ?? [];
    }

    /** @return list<Finding> */
    public function resultsOn(Subject $subject): array
    {
        $this->resultsBy ??= self::bySubject($this->results);

        return $this->resultsBy[$subject->text()] ?? [];
    }

    /**
     * @param  list<Finding>  $findings
     * @return array<int|string, list<Finding>>
     */
    private static function bySubject(array $findings): array
    {
        $by = [];
        foreach ($findings as $finding) {
            $by[$finding->subject->text()][] = $finding;
        }

        return $by;
    }
}
