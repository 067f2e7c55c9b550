<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Ways\Routing\LaidCables;
use Sartal\Core\Ways\Routing\Passages;
use Sartal\Core\Ways\Routing\WayChecks;
use Sartal\Core\Ways\Routing\WayLoad;

/** How much is wrong with the ways in which some runs lie: what else lies in them is counted, and not looked at. */
final readonly class WrongWays
{
    private WayChecks $checks;

    private Passages $passages;

    /** @param  Installation  $in  with the runs that are looked at, and all that is not of runs */
    public function __construct(private Installation $in)
    {
        $this->checks = new WayChecks($in, null);
        $this->passages = new Passages($in);
    }

    /**
     * @param  list<string>  $ways
     * @param  array<int|string, array<int|string, int>>  $others  way → cable type → how many lie in it besides
     * @param  array<int|string, RunCard>  $runs  by run, that are looked at
     * @return int findings that are more than a note
     */
    public function count(array $ways, array $others, array $runs): int
    {
        $wrong = 0;
        foreach ($ways as $id) {
            $way = $this->in->way($id);
            if ($way === null) {
                continue;
            }
            $inside = array_filter($runs, static fn (RunCard $card): bool => $card->liesIn($id));
            $ids = array_map(strval(...), array_keys($inside));
            $own = LaidCables::among($this->in, $ids);
            $wrong += $this->checks->wrong($way, [...self::types($others[$id] ?? [], $this->in->catalogue), ...$own]);
            $wrong += count(array_filter(
                $this->passages->of(WayLoad::of($way, $ids, $own)),
                static fn (Finding $finding): bool => $finding->isWrong(),
            ));
        }

        return $wrong;
    }

    /**
     * @param  array<int|string, int>  $cables  type → how many
     * @return list<CableType>
     */
    private static function types(array $cables, Catalogue $catalogue): array
    {
        $types = [];
        foreach ($cables as $id => $many) {
            $type = $catalogue->cable((string) $id);
            array_push($types, ...$type === null ? [] : array_fill(0, $many, $type));
        }

        return $types;
    }
}
