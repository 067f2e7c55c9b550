<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Planning\Plan;

/**
 * Prints of all that jobs follow from: of a job that has the same as before, every step is what it was, whatever else
 * was decided. A type that changes counts for all of them.
 */
final readonly class JobPrints
{
    private string $types;

    public function __construct(private Installation $installation, private Plan $plan, private Covers $covers)
    {
        $this->types = self::hash([$installation->catalogue, $installation->testing()]);
    }

    public function of(Assembly $assembly): string
    {
        $looms = $circuits = $turned = [];
        foreach ($assembly->runs as $id) {
            $run = $this->installation->theRun($id);
            $looms[] = $this->installation->loom($run->loom ?? '');
            foreach ($run->carries as $carriage) {
                $circuits[] = $this->installation->circuit($carriage->circuit);
            }
            foreach ($this->plan->runs[$id]->labels as $label) {
                $turned[] = $this->plan->rotations()[$label->code] ?? null;
            }
        }

        return self::hash([
            $this->types,
            $this->plan->printOf($assembly),
            $looms,
            $circuits,
            $turned,
            $this->covers->of($assembly->runs),
        ]);
    }

    private static function hash(mixed $value): string
    {
        return hash('xxh128', serialize($value));
    }
}
