<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\DisjointSets;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\PairCheck;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Sample;

/** Parts a wrong reading into symptoms that have no contact in common: each can be explained by itself. */
final class Symptoms
{
    /** @return list<Symptom> */
    public static function read(Expectation $expectation, Reading $reading): array
    {
        $sets = new DisjointSets();
        $lines = $expectation->wrongLines($reading);
        foreach ($lines as $line) {
            $sets->add($line);
            foreach ([...$reading->lights[$line], ...$expectation->reading->lights[$line] ?? []] as $lit) {
                $sets->join($line, $lit);
            }
        }
        if ($reading->splits !== null) {
            self::joinPartners($lines, $expectation, $sets);
        }
        $pairs = self::checks($expectation, $expectation->wrongPairs($reading));
        foreach ($pairs as $pair) {
            foreach ($pair->nodes as $node) {
                $sets->join($pairs[0]->nodes[0], $node);
                foreach ($reading->lights[$node] ?? [] as $lit) {
                    $sets->join($node, $lit);
                }
            }
        }
        $wrong = $expectation->wrongSamples($reading);
        foreach ($wrong as $sample) {
            self::joinWhatItTouches($sample, $expectation, $sets);
        }
        self::joinByColour($wrong, $expectation, $sets);
        $evidence = new Evidence($expectation, $reading);

        return array_map(
            static fn (array $probes): Symptom => new Symptom(
                array_values(array_intersect($lines, $probes)),
                array_values(
                    array_map(
                        static fn (PairCheck $pair): string => $pair->id,
                        array_filter(
                            $pairs,
                            static fn (PairCheck $pair): bool => array_intersect($pair->nodes, $probes) !== [],
                        ),
                    ),
                ),
                array_values(
                    array_filter(
                        $wrong,
                        static fn (Sample $sample): bool => array_intersect(
                            $expectation->senses()->nodes($sample->question),
                            $probes,
                        ) !== [],
                    ),
                ),
                $probes,
                $evidence,
            ),
            $sets->groups(),
        );
    }

    /**
     * Of two lines of one pair that are both wrong, one may hide what the pair test would show of the other: no pair is
     * split that is open.
     *
     * @param  list<string>  $lines
     */
    private static function joinPartners(array $lines, Expectation $expectation, DisjointSets $sets): void
    {
        $wrong = array_flip($lines);
        foreach ($expectation->setup->pairs as $pair) {
            $nodes = array_values(array_filter($pair->nodes, static fn (string $node): bool => isset($wrong[$node])));
            foreach ($nodes as $node) {
                $sets->join($nodes[0], $node);
            }
        }
    }

    private static function joinWhatItTouches(Sample $sample, Expectation $expectation, DisjointSets $sets): void
    {
        $senses = $expectation->senses();
        $nodes = $senses->nodes($sample->question);
        if (Methods::card($sample->question->method)->lights) {
            $expected = $senses->expected($sample->question);
            array_push(
                $nodes,
                ...is_array($sample->value) ? $sample->value : [],
                ...is_array($expected) ? $expected : [],
            );
        }
        foreach ($nodes as $node) {
            $sets->join($nodes[0], $node);
            // What conducts to it when nothing is wrong shares its causes.
            foreach (
                array_intersect_key(
                    $expectation->wiring->reach($node),
                    $expectation->setup->from + $expectation->setup->to,
                ) as $with => $_
            ) {
                $sets->join($node, (string) $with);
            }
        }
    }

    /**
     * At an opened end, a colour that is missing on one contact and sits on
     * another tells that they are one trouble.
     *
     * @param  list<Sample>  $wrong
     */
    private static function joinByColour(array $wrong, Expectation $expectation, DisjointSets $sets): void
    {
        $missing = $found = [];
        foreach ($wrong as $sample) {
            if (! Methods::card($sample->question->method)->opens || ! is_array($sample->value)) {
                continue;
            }
            $expected = $expectation->senses()->expected($sample->question);
            $end = $sample->question->method->value;
            $fitting = Node::fitting($sample->question->at).$end;
            foreach (is_array($expected) ? array_diff($expected, $sample->value) : [] as $colour) {
                $missing[$fitting."\n".$colour][] = $sample->question->at;
                $missing[$end."\n".$colour][] = $sample->question->at;
            }
            foreach (array_diff($sample->value, is_array($expected) ? $expected : []) as $colour) {
                $found[] = [$sample->question->at, $fitting."\n".$colour, $end."\n".$colour];
            }
        }
        foreach ($found as [$contact, $inFitting, $atEnd]) {
            // In another connector of the end only where none of its own lacks it.
            foreach ($missing[$inFitting] ?? $missing[$atEnd] ?? [] as $other) {
                $sets->join($contact, $other);
            }
        }
    }

    /**
     * @param  list<string>  $ids
     * @return list<PairCheck>
     */
    private static function checks(Expectation $expectation, array $ids): array
    {
        return array_values(
            array_filter(
                $expectation->setup->pairs,
                static fn (PairCheck $pair): bool => in_array($pair->id, $ids, true),
            ),
        );
    }
}
