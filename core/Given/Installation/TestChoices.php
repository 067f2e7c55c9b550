<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Withers;

/** Which methods the house wants at connectors of a family, where that departs from what follows from the wiring. */
final readonly class TestChoices
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  array<int|string, array<int|string, list<Method>>>  $byFamily  connector family → stage → methods
     * @param  int  $retestMonths  from one test in service to the next; 0: never
     * @param  int  $mainsMonths  the same for what carries mains; local code may ask for less
     */
    public function __construct(
        public array $byFamily = [],
        public int $retestMonths = 0,
        public int $mainsMonths = 0,
    ) {
    }

    /** @return ?list<Method> null where the house has not said */
    public function on(string $family, TestStage $stage): ?array
    {
        return $this->byFamily[$family][$stage->value] ?? null;
    }

    /** @param  ?list<Method>  $methods  null goes back to what follows from the wiring */
    public function with(string $family, TestStage $stage, ?array $methods): self
    {
        $rules = $this->byFamily;
        if ($methods === null) {
            unset($rules[$family][$stage->value]);
        } else {
            $rules[$family][$stage->value] = $methods;
        }
        ksort($rules);

        return $this->copy(['byFamily' => array_filter($rules)]);
    }
}
