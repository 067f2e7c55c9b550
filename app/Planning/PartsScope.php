<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Ways\Dressing\LoomDress;
use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\PartsList;
use Sartal\Core\Work\Parts\PartsPlanner;

/** What a parts list is asked about: everything, one loom, one assembly, or the runs of an order. */
final readonly class PartsScope
{
    private const ENDS = 'what each end takes';

    /** Runs whose ends are kept together. */
    private const SOME = 200;

    /** s that others wait while one works it out. */
    private const PATIENCE = 120;

    /**
     * @param  list<string>  $runs  ids
     * @param  list<string>  $looms  ids of those whose dress is part of it
     */
    private function __construct(public string $name, public array $runs, public array $looms)
    {
    }

    /** @param  string  $text  "installation", "loom:L1", "assembly:M-201", "runs:A-114,A-116" */
    public static function read(string $text, Loaded $loaded): ?self
    {
        [$kind, $id] = [...explode(':', $text, 2), ''];
        $plan = $loaded->plan();
        $in = $loaded->installation;
        if ($kind === 'loom' && isset($plan->layout->looms[$id])) {
            return new self($in->looms()[$id]->name, $plan->layout->looms[$id]->members, [$id]);
        }
        if ($kind === 'assembly' && isset($plan->assemblies[$id])) {
            return new self('Assembly '.$in->runs()[$id]->code, $plan->assemblies[$id]->runs, []);
        }
        if ($kind === 'runs') {
            $runs = array_values(
                array_filter(explode(',', $id), static fn (string $run): bool => isset($in->runs()[$run])),
            );

            return $runs === [] ? null : new self(sprintf('%d runs', count($runs)), $runs, []);
        }

        return $kind === 'installation' || $kind === ''
            ? new self(
                $in->name,
                array_map(strval(...), array_keys($in->runs())),
                array_map(strval(...), array_keys($in->looms())),
            )
            : null;
    }

    public function list(Loaded $loaded, bool $whole): PartsList
    {
        $plan = $loaded->plan();
        $dresser = $loaded->dresser();
        $dresses = Uncollected::run(
            fn (): array => array_map(
                static fn (string $id): LoomDress => $dresser->dress($plan->layout->looms[$id]),
                $this->looms,
            ),
        );
        $isAll = count($this->runs) === count($loaded->installation->runs());
        $cuts = $isAll ? $loaded->cutPlan() : $loaded->cuts($loaded->record, $this->runs);
        $strands = $whole
            ? []
            : array_map(
                static fn (RunStanding $run): array => $run->strand,
                KeptStandings::decided($loaded->stored, static fn (): Loaded => $loaded)->runs(),
            );
        $planner = new PartsPlanner($loaded->installation, $plan, $loaded->record, $strands);

        return $planner->list(
            $this->runs,
            $dresses,
            $cuts,
            $whole,
            $isAll ? $this->ends($loaded, $planner) : [],
        );
    }

    /**
     * What the ends of all runs take stays what it is while somebody cuts.
     *
     * @return array<int|string, array<int|string, list<Ask>>> by run and side
     */
    private function ends(Loaded $loaded, PartsPlanner $planner): array
    {
        return $this->known($loaded) ??
            Kept::alone($loaded->stored, self::ENDS, self::PATIENCE, function () use ($loaded, $planner): array {
                $ends = $this->known($loaded);
                if ($ends === null) {
                    $ends = $planner->ends($this->runs);
                    // Some at a time: all of it as one text is as much again as all of it.
                    foreach (array_chunk($this->runs, self::SOME) as $i => $runs) {
                        Kept::put(
                            $loaded->stored,
                            self::ENDS.' '.$i,
                            self::state($loaded),
                            serialize(array_intersect_key($ends, array_flip($runs))),
                        );
                    }
                }

                return $ends;
            });
    }

    /** @return array<int|string, array<int|string, list<Ask>>>|null null where nobody has kept them, or not all */
    private function known(Loaded $loaded): ?array
    {
        $ends = [];
        foreach (array_keys(array_chunk($this->runs, self::SOME)) as $i) {
            $kept = Kept::get($loaded->stored, self::ENDS.' '.$i, self::state($loaded));
            if ($kept === null) {
                return null;
            }
            /** @var array<int|string, array<int|string, list<Ask>>> $some */
            $some = unserialize($kept);
            $ends += $some;
        }

        return $ends;
    }

    private static function state(Loaded $loaded): string
    {
        return Kept::state($loaded->stored->decisions, $loaded->stored->edition());
    }
}
