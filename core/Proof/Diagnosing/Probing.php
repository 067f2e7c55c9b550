<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\MapMethod;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Question;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Sample;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * The short way to a fault: the map first; where it shows nothing, the
 * quickest method that does; then always the reading that leaves the fewest
 * causes, until nothing parts those that are left.
 */
final readonly class Probing
{
    private const FURTHEST = 12;

    public function __construct(private Expectation $expectation, private FaultPlaces $places)
    {
    }

    /** @return list<ProbingStep> */
    public function to(Fault $fault): array
    {
        $wiring = $this->expectation->wiring->edited($fault->edit);
        $map = MapMethod::read($wiring, $this->expectation->setup);
        $reading = new Reading($map->lights);
        $steps = [$this->step(Method::Map, null, $reading)];
        foreach ($this->quickest() as $method) {
            if ($this->expectation->verdict($reading) === Verdict::Fails) {
                break;
            }
            $reading = $this->with($reading, $method, $this->expectation->senses()->questions($method), $fault);
            $steps[] = $this->step($method, null, $reading);
        }
        while (count($steps) < self::FURTHEST) {
            $troubles = $this->troubles($reading);
            $next =
                count($troubles) === 1
                    ? (new NextReading($this->expectation, $reading, Method::cases()))->after($troubles[0])
                    : null;
            if ($next === null) {
                break;
            }
            $questions =
                $next->question === null ? $this->expectation->senses()->questions($next->method) : [$next->question];
            $reading = $this->with($reading, $next->method, $questions, $fault);
            $steps[] = $this->step($next->method, $next->question, $reading);
        }

        return $steps;
    }

    /** @return list<Cause> that are left at the end of the way */
    public function left(Reading $reading): array
    {
        $causes = [];
        foreach ($this->troubles($reading) as $trouble) {
            array_push($causes, ...$trouble->causes);
        }

        return $causes;
    }

    /** @return list<Method> */
    private function quickest(): array
    {
        $methods = array_values(
            array_filter(
                Method::cases(),
                fn (Method $method): bool => $method !== Method::Map &&
                    $method !== Method::Shells &&
                    $this->expectation->senses()->questions($method) !== [],
            ),
        );
        usort(
            $methods,
            static fn (Method $a, Method $b): int => [Methods::card($a)->opens, Methods::card($a)->minutes] <=> [
                Methods::card($b)->opens,
                Methods::card($b)->minutes,
            ],
        );

        return $methods;
    }

    /** @param  list<Question>  $questions */
    private function with(Reading $reading, Method $method, array $questions, Fault $fault): Reading
    {
        if ($method === Method::Pairs) {
            $wiring = $this->expectation->wiring->edited($fault->edit);

            return new Reading(
                $reading->lights,
                MapMethod::splits($wiring, $this->expectation->setup->pairs),
                $reading->samples,
            );
        }
        $samples = array_values($reading->samples);
        foreach ($questions as $question) {
            $value = $this->expectation->senses()->answer($question, [$fault->edit]);
            if (! is_float($value) || ! is_nan($value)) {
                $samples[] = new Sample($question, $value);
            }
        }

        return new Reading($reading->lights, $reading->splits, $samples);
    }

    private function step(Method $method, ?Question $question, Reading $reading): ProbingStep
    {
        return new ProbingStep($method, $question, count($this->left($reading)));
    }

    /** @return list<Trouble> */
    private function troubles(Reading $reading): array
    {
        return Diagnostician::for($this->places, $this->expectation, $reading)->troubles;
    }
}
