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
final class JobPrints
{
    private readonly string $types;

    /** @var ?array<int|string, list<string>> fitting → print of each panel that it sits in */
    private ?array $panels = null;

    public function __construct(
        private readonly Installation $installation,
        private readonly Plan $plan,
        private readonly Covers $covers,
    ) {
        $this->types = self::hash([$installation->catalogue, $installation->testing()]);
    }

    public function of(Assembly $assembly): string
    {
        $looms = $circuits = $turned = $panels = [];
        foreach ($assembly->runs as $id) {
            $run = $this->installation->theRun($id);
            $looms[] = $this->installation->loom($run->loom ?? '');
            foreach ($run->fittings() as $fitting) {
                $panels[$fitting] = $this->panels()[$fitting] ?? [];
            }
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
            array_filter($panels),
            $this->covers->of($assembly->runs),
        ]);
    }

    /** @return array<int|string, list<string>> */
    private function panels(): array
    {
        if ($this->panels === null) {
            $this->panels = [];
            foreach ($this->installation->panels() as $panel) {
                $print = self::hash([$panel, $this->plan->layout->trunks->areSeveral($panel)]);
                foreach ($panel->places as $fitting) {
                    $this->panels[$fitting][] = $print;
                }
            }
        }

        return $this->panels;
    }

    private static function hash(mixed $value): string
    {
        return hash('xxh128', serialize($value));
    }
}
