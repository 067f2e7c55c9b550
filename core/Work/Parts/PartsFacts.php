<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Work\Cutting\CutFacts;

/** What was decided, as far as a parts list of all of it asks, but for what each end takes and how long runs are. */
final readonly class PartsFacts
{
    /**
     * @param  array<int|string, LoomFacts>  $looms  by id
     * @param  array<int|string, list<string>>  $assemblies  their runs, by id
     */
    public function __construct(
        public string $name,
        public Supplies $supplies,
        public array $looms,
        public array $assemblies,
    ) {
    }

    public static function of(Installation $installation, Plan $plan, CutFacts $cuts, Dresser $dresser): self
    {
        return new self(
            $installation->name,
            Supplies::of($installation)->ofCables(...array_map(strval(...), array_keys($cuts->cables))),
            array_map(
                static fn (Loom $loom): LoomFacts => new LoomFacts(
                    $loom->id,
                    $loom->name,
                    LoomParts::list($dresser->dress($plan->layout->looms[$loom->id])),
                ),
                $installation->looms(),
            ),
            array_map(static fn (Assembly $assembly): array => $assembly->runs, $plan->assemblies),
        );
    }
}
