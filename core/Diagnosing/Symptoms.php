<?php

declare(strict_types=1);

namespace Sartal\Core\Diagnosing;

use Sartal\Core\Testing\Expectation;
use Sartal\Core\Testing\PairCheck;
use Sartal\Core\Testing\Reading;
use Sartal\Core\Wiring\DisjointSets;

/** Parts a wrong reading into symptoms that have no contact in common: each can be explained by itself. */
final class Symptoms
{
    /** @return list<Symptom> */
    public static function of(Expectation $expectation, Reading $reading): array
    {
        $sets = new DisjointSets;
        $lines = $expectation->wrongLines($reading);
        foreach ($lines as $line) {
            $sets->add($line);
            foreach ([...$reading->lights[$line], ...($expectation->reading->lights[$line] ?? [])] as $lit) {
                $sets->join($line, $lit);
            }
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

        return array_map(
            static fn (array $probes): Symptom => new Symptom(
                array_values(array_intersect($lines, $probes)),
                array_values(array_map(
                    static fn (PairCheck $pair): string => $pair->id,
                    array_filter($pairs, static fn (PairCheck $pair): bool => array_intersect($pair->nodes, $probes) !== []),
                )),
                $probes, $expectation, $reading,
            ),
            $sets->groups(),
        );
    }

    /**
     * @param  list<string>  $ids
     * @return list<PairCheck>
     */
    private static function checks(Expectation $expectation, array $ids): array
    {
        return array_values(array_filter($expectation->setup->pairs, static fn (PairCheck $pair): bool => in_array($pair->id, $ids, true)));
    }
}
