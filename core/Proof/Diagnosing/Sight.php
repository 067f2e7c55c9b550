<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Question;

/**
 * Whether a method shows a fault: it is asked of the wiring with the fault in
 * it and without. Only what the fault touches is asked.
 */
final class Sight
{
    /** @var array{?Fault, ?Wiring, array<int|string, true>} of the fault looked at last */
    private array $last = [null, null, []];

    public function __construct(private readonly Expectation $expectation)
    {
    }

    public function shows(Method $method, Fault $fault): bool
    {
        $senses = $this->expectation->senses();
        [$bad, $touched] = $this->touched($fault);
        foreach ($senses->about($method, $touched) as $question) {
            if ($this->differs($question, $fault, $bad)) {
                return true;
            }
        }

        return false;
    }

    private function differs(Question $question, Fault $fault, Wiring $bad): bool
    {
        $senses = $this->expectation->senses();
        $read =
            $question->state === '' ? $senses->answerOf($bad, $question) : $senses->answer($question, [$fault->edit]);

        return ! $senses->agree($question, $senses->expected($question), $read);
    }

    /**
     * @return array{Wiring, array<int|string, true>} the wiring with the fault in it, and what conducts to what it
     *     changes, before or after
     */
    private function touched(Fault $fault): array
    {
        if ($this->last[0] === $fault && $this->last[1] !== null) {
            return [$this->last[1], $this->last[2]];
        }
        $good = $this->expectation->wiring;
        $bad = $good->edited($fault->edit);
        $touched = $good->around($fault->edit, $good) + $bad->around($fault->edit, $good);
        $this->last = [$fault, $bad, $touched];

        return [$bad, $touched];
    }
}
