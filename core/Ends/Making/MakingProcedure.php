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
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $steps,
        public array $demands,
        public string $source,
    ) {
    }

    /** @param  list<MakingStep>  $steps */
    public function withSteps(array $steps): self
    {
        return $this->copy(['steps' => $steps]);
    }
}
