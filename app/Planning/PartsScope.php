<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\LoomParts;
use Sartal\Core\Work\Parts\PartsList;
use Sartal\Core\Work\Parts\PartsPlanner;

/** A parts list of what somebody asked about: everything, one loom, one assembly, or the runs of an order. */
final readonly class PartsScope
{
    /** @param  int  $runs  how many it is of */
    private function __construct(public string $name, public int $runs, public PartsList $list)
    {
    }

    /**
     * @param  string  $text  "installation", "loom:L1", "assembly:M-201", "runs:A-114,A-116"
     * @param  bool  $whole  of what is done already as well
     * @return ?self null where there is nothing of that name
     */
    public static function read(string $text, KeptParts $parts, bool $whole): ?self
    {
        [$kind, $id] = [...explode(':', $text, 2), ''];
        if ($kind === 'installation' || $kind === '') {
            return new self($parts->facts()->name, count($parts->runs()), $parts->list($whole));
        }
        $loaded = $parts->loaded();
        $plan = $loaded->plan();
        $in = $loaded->installation;
        if ($kind === 'loom' && isset($plan->layout->looms[$id])) {
            $dress = LoomParts::list(
                Uncollected::run(fn () => $loaded->dresser()->dress($plan->layout->looms[$id])),
            );

            return self::some($in->looms()[$id]->name, $plan->layout->looms[$id]->members, $dress, $loaded, $whole);
        }
        if ($kind === 'assembly' && isset($plan->assemblies[$id])) {
            return self::some('Assembly '.$in->theRun($id)->code, $plan->assemblies[$id]->runs, [], $loaded, $whole);
        }
        $runs = array_values(
            array_filter(explode(',', $id), static fn (string $run): bool => $in->run($run) !== null),
        );

        return $kind !== 'runs' || $runs === []
            ? null
            : self::some(sprintf('%d runs', count($runs)), $runs, [], $loaded, $whole);
    }

    /**
     * @param  list<string>  $runs  ids
     * @param  list<Ask>  $dress
     */
    private static function some(string $name, array $runs, array $dress, Loaded $loaded, bool $whole): self
    {
        $planner = PartsPlanner::planned($loaded->installation, $loaded->plan(), $loaded->record);

        return new self(
            $name,
            count($runs),
            $planner->list($runs, $dress, $loaded->cuts($loaded->record, $runs), $whole),
        );
    }
}
