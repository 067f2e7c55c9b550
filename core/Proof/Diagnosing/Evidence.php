<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Sample;

/** A reading beside what was expected, with what was sampled to be found by the nodes that it hangs on. */
final class Evidence
{
    /** @var array<int|string, array<int|string, Sample>> node → samples by question */
    private array $hanging = [];

    public function __construct(public readonly Expectation $expectation, public readonly Reading $reading)
    {
        foreach ($reading->samples as $key => $sample) {
            foreach ($expectation->senses()->nodes($sample->question) as $node) {
                $this->hanging[$node][$key] = $sample;
            }
        }
    }

    /**
     * @param  array<int|string, true>  $nodes
     * @return array<int|string, Sample> by question
     */
    public function samplesAt(array $nodes): array
    {
        $samples = [];
        foreach ($this->hanging === [] ? [] : array_intersect_key($this->hanging, $nodes) as $of) {
            $samples += $of;
        }

        return $samples;
    }

    /**
     * Whether a sample is what this wiring would show.
     *
     * @param  Wiring  $wiring  at rest, with the faults in it
     * @param  list<Fault>  $faults
     */
    public function agrees(Sample $sample, Wiring $wiring, array $faults): bool
    {
        $senses = $this->expectation->senses();
        $answer =
            $sample->question->state === ''
                ? $senses->answerOf($wiring, $sample->question)
                : $senses->answer(
                    $sample->question,
                    array_map(static fn (Fault $fault): WiringEdit => $fault->edit, $faults),
                );

        return $senses->agree($sample->question, $answer, $sample->value);
    }
}
