<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Question;

/** An assembly with a cause made in it, to ask what it would read. */
final readonly class Supposed
{
    private Wiring $wiring;

    /** @var list<WiringEdit> */
    private array $edits;

    public function __construct(private Expectation $expectation, public Cause $cause)
    {
        $this->edits = array_map(static fn (Fault $fault): WiringEdit => $fault->edit, $cause->faults);
        $this->wiring = array_reduce(
            $this->edits,
            static fn (Wiring $wiring, WiringEdit $edit): Wiring => $wiring->edited($edit),
            $expectation->wiring,
        );
    }

    /**
     * Nodes that conduct to what any of these causes changes.
     *
     * @param  list<Cause>  $causes
     * @return array<int|string, true>
     */
    public static function concerned(array $causes, Expectation $expectation): array
    {
        $nodes = [];
        foreach ($causes as $cause) {
            foreach ($cause->faults as $fault) {
                $nodes += $expectation->wiring->around($fault->edit, $expectation->wiring);
            }
        }

        return $nodes;
    }

    /** @return list<string>|float|string */
    public function says(Question $question): array|float|string
    {
        $senses = $this->expectation->senses();

        return $question->state === ''
            ? $senses->answerOf($this->wiring, $question)
            : $senses->answer($question, $this->edits);
    }
}
