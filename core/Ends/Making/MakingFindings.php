<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;

/** Why an end cannot be made by a procedure, or is not as its connector demands: step by step, with figures. */
final readonly class MakingFindings
{
    /** Of one step or demand, that are told by themselves; more are counted. */
    private const TOLD = 3;

    private StepWords $words;

    public function __construct(CableType $cable)
    {
        $this->words = new StepWords($cable);
    }

    /** @return list<Finding> none where it is right */
    public function of(MakingProcedure $procedure, Made $made, Subject $subject): array
    {
        $findings = [];
        foreach ($made->failed() as $step) {
            $findings[] = Finding::stop(
                'making.step',
                $subject,
                sprintf(
                    '%s, step %s (%s): %s',
                    $procedure->name,
                    $step->step->id,
                    $this->words->of($step->doing),
                    self::some($step->lacks),
                ),
                'Change that step, or what comes before it; or choose another procedure.',
            );
        }
        if ($made->unmet !== []) {
            $findings[] = Finding::stop(
                'making.demand',
                $subject,
                sprintf(
                    '%s leaves an end that its connector does not take. %s',
                    $procedure->name,
                    self::some($made->unmet),
                ),
                'Change the lengths that lead there, or choose a connector that takes them.',
            );
        }

        return $findings;
    }

    /** @param  list<string>  $sentences */
    private static function some(array $sentences): string
    {
        $more = count($sentences) - self::TOLD;

        return implode(' ', array_slice($sentences, 0, self::TOLD)).
            ($more > 0 ? sprintf(' And %d more of the kind.', $more) : '');
    }
}
