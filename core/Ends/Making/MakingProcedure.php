<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Given\Measure\Withers;

/** How an end is made, as data: steps in order, and what the connector demands of the end when it is done. */
final readonly class MakingProcedure
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  list<MakingStep>  $steps
     * @param  list<EndDemand>  $demands
     * @param  string  $source  where its figures are from
     * @param  list<LegMaking>  $legs  how each leg goes on where this stops, in order; none of an end in one piece
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $steps,
        public array $demands,
        public string $source,
        public array $legs = [],
    ) {
    }

    /** @param  list<MakingStep>  $steps */
    public function withSteps(array $steps): self
    {
        return $this->copy(['steps' => $steps]);
    }

    /**
     * Steps that secure somebody's life, and that a copy of a procedure has to keep as they are and in their order.
     *
     * @return list<string> what a copy lacks of them, in words
     */
    public function missingIn(self $copy): array
    {
        $missing = [];
        $from = 0;
        foreach (array_filter($this->steps, static fn (MakingStep $step): bool => $step->locked) as $step) {
            $at = null;
            foreach (array_slice($copy->steps, $from, null, true) as $i => $own) {
                if ($own == $step) {
                    $at = $i;

                    break;
                }
            }
            if ($at === null) {
                $missing[] = sprintf(
                    'Step %s of %s secures somebody’s life: keep it as it is, and in its place.',
                    $step->id,
                    $this->name,
                );
            } else {
                $from = $at + 1;
            }
        }

        return $missing;
    }
}
