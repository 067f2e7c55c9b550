<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Installation\Covering;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Ways\Looming\Layout;

/** The sleeves of looms that runs lie in. Packing tells which sleeve it is. */
final readonly class Covers
{
    public function __construct(private Installation $installation, private Layout $layout, private Dresser $dresser)
    {
    }

    /**
     * @param  list<string>  $runs
     * @return array<int|string, list<LoomSleeve>> by run
     */
    public function of(array $runs): array
    {
        $wanted = [];
        foreach ($runs as $run) {
            $loom = $this->installation->loom($this->installation->run($run)->loom ?? '');
            if ($loom?->covering === Covering::Sleeve) {
                $wanted[$loom->id][] = $run;
            }
        }
        $covers = [];
        foreach ($wanted as $loom => $members) {
            $shape = $this->layout->looms[$loom] ?? null;
            foreach ($shape === null ? [] : $this->dresser->dress($shape)->segments as $dress) {
                if ($dress->sleeve === null) {
                    continue;
                }
                foreach (array_intersect($dress->runs, $members) as $run) {
                    $cover = new LoomSleeve(
                        (string) $loom,
                        $dress->segment->way->id,
                        $this->installation->theLoom($loom)->name.', '.$dress->segment->way->name,
                        $dress->sleeve->part,
                    );
                    $covers[$run][$cover->key()] = $cover;
                }
            }
        }

        return array_map(array_values(...), $covers);
    }
}
