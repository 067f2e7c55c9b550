<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Preparing\SleeveChoice;
use Sartal\Core\Given\Installation\Covering;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Ways\Looming\Layout;

/** The sleeves of looms that runs lie in, and those of cables by themselves. Packing tells which a loom's is. */
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
        $wanted = $covers = [];
        foreach ($runs as $run) {
            $own = $this->own($run);
            if ($own !== null) {
                $covers[$run][$own->key()] = $own;
            }
            $loom = $this->installation->loom($this->installation->run($run)->loom ?? '');
            if ($loom?->covering === Covering::Sleeve) {
                $wanted[$loom->id][] = $run;
            }
        }
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

    /** The sleeve of a cable by itself. */
    private function own(string $id): ?LoomSleeve
    {
        $run = $this->installation->run($id);
        $part = $run === null ? null : SleeveChoice::over($run, $this->installation);

        return $part === null ? null : new LoomSleeve('', 'own', '', $part);
    }
}
