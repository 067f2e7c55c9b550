<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Closure;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Runs\RunPlans;
use Sartal\Core\Ways\Looming\Layout;
use Sartal\Core\Ways\Routing\Relief;
use Sartal\Core\Ways\Routing\WayChecks;
use Sartal\Core\Ways\Routing\WayLoads;

/** All that is looked at in a plan, in the order in which findings are listed: by kind, then by what they are about. */
final readonly class Checks
{
    /**
     * @param  Closure(string): string  $print  run → print of all that its plan follows from
     * @param  Closure(object): string  $hash  of what never changes
     * @param  Closure(): string  $setting  print of what joins are looked at with besides: all but runs, fittings,
     *     circuits and how runs lie
     * @param  array<int|string, Assembly>  $assemblies
     * @param  array<int|string, string>  $assemblyOf  run → assembly
     * @param  array<array-key, string>  $rotations
     * @param  Beyond  $beyond  where the installation is a part: the rest, as far as that is seen from here
     */
    public function __construct(
        private Installation $installation,
        private RunPlans $runs,
        private Closure $print,
        private Closure $hash,
        private Closure $setting,
        private FoundStore $known,
        private array $assemblies,
        private array $assemblyOf,
        private array $rotations,
        private Layout $layout,
        private WayLoads $ways,
        private Beyond $beyond,
    ) {
    }

    /** @return list<Check> */
    public function all(): array
    {
        $in = $this->installation;

        return [
            ...$this->ofNeighbourhoods(),
            ...$this->ofWays(),
            ...self::known(Listed::Looms, $this->ofLooms()),
            ...self::known(Listed::Tails, $this->layout->tails->findings()),
            ...self::known(Listed::Codes, $this->codes()),
            ...self::known(Listed::Plans, FittingChecks::plans($in)),
            ...$this->ofMatings(),
            ...self::known(Listed::Spare, PortChecks::spare($in)),
            ...self::known(Listed::Turned, LabelChecks::findings($in, $this->rotations)),
            ...self::known(Listed::Texts, LabelChecks::texts($in, $this->beyond)),
        ];
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<Check>
     */
    private static function known(Listed $as, array $findings): array
    {
        return array_map(static fn (Finding $finding): Check => Check::known($as, $finding), $findings);
    }

    /** @return list<Check> each of what has to be seen together, and of its runs by themselves */
    private function ofNeighbourhoods(): array
    {
        $in = $this->installation;
        $looks = [
            Listed::Fittings->place() => new FittingChecks($in),
            Listed::Joins->place() => new JoinChecks($in),
            Listed::Ports->place() => new PortChecks($in),
            Listed::Phantom->place() => new PhantomChecks($in),
            Listed::Reaches->place() => new ReachChecks($in),
            Listed::Drains->place() => new MainsDrainChecks($in),
        ];
        $places = array_flip(array_keys($in->runs()));
        $checks = [];
        foreach (Neighbourhoods::in($in, $this->assemblies, $this->assemblyOf) as $near) {
            $checks[] = new Check(
                fn (): string => 'joined '.$this->printOf($near),
                static fn (): array => $near->subjects(),
                function () use ($near, $looks, $places): array {
                    $key = hash('xxh128', ($this->setting)().$this->printOf($near));
                    $found = $this->known->found($key);
                    if ($found === null) {
                        $found = $this->look($near, $looks);
                        $this->known->keepFound($key, $found);
                    }
                    $listed = [];
                    foreach ($found as $place => $findings) {
                        $listed[$place < Listed::ROOM ? $places[$near->runs[$place]] : $place] = $findings;
                    }

                    return $listed;
                },
                $near->runs,
            );
        }

        return $checks;
    }

    /**
     * @param  array<int, NeighbourCheck>  $looks  by place
     * @return array<int, list<Finding>> by place; of a run by itself by its number in the neighbourhood
     */
    private function look(Neighbourhood $near, array $looks): array
    {
        $runs = $this->runs->among($near->runs);
        $found = array_map(static fn (NeighbourCheck $look): array => $look->of($near, $runs), $looks);
        foreach ($near->runs as $i => $run) {
            $found[$i] = $runs->get($run)->findings();
        }

        return $found;
    }

    /** What looks at a neighbourhood follows from its runs, and from fittings and circuits as they are. */
    private function printOf(Neighbourhood $near): string
    {
        $parts = array_map($this->print, $near->runs);
        foreach ($near->fittings() as $fitting) {
            $known = $this->installation->fitting($fitting);
            $parts[] = $known === null ? $fitting : ($this->hash)($known);
        }
        foreach ($near->circuits as $circuit) {
            $known = $this->installation->circuit($circuit);
            $parts[] = $known === null ? $circuit : ($this->hash)($known);
        }

        return hash('xxh128', implode(' ', $parts));
    }

    /** @return list<Check> none where it is a part that does not know of ways: what lies in one is of all runs */
    private function ofWays(): array
    {
        $lying = $this->beyond->inWays($this->installation, $this->layout->routes, $this->layout->router);
        if ($lying === null && $this->beyond->rotations !== null) {
            return [];
        }
        [$in, $routes] = [$lying->in ?? $this->installation, $lying->routes ?? $this->layout->routes];
        $loads = $lying === null ? $this->ways : new WayLoads($in, $routes);
        $look = new WayChecks($in, new Relief($in, $routes, $this->layout->router, $loads));
        $print = fn (string $run): string => $this->installation->run($run) === null ? $run : ($this->print)($run);
        $checks = [];
        foreach ($in->ways() as $way) {
            $checks[] = new Check(
                fn (): string => implode(' ', [
                    'way',
                    ($this->hash)($way),
                    ...array_map($print, $loads->inside($way->id)),
                ]),
                static fn (): array => [Subject::way($way->id)->text()],
                static fn (): array => [Listed::Ways->place() => $look->of($loads->of($way->id))],
            );
        }

        return $checks;
    }

    /** @return list<Finding> */
    private function ofLooms(): array
    {
        $findings = [];
        foreach ($this->layout->looms as $loom) {
            array_push($findings, ...$loom->findings);
        }

        return $findings;
    }

    /** @return list<Check> */
    private function ofMatings(): array
    {
        $in = $this->installation;
        $matings = $in->matings();
        $at = [];
        foreach ($matings === [] ? [] : $this->assemblies as $assembly) {
            $at += array_fill_keys($assembly->fittings, $assembly);
        }
        $checks = [];
        $others = MatingChecks::taken($matings, $in);
        foreach ($matings as $key => $mating) {
            $taken = $others[$key] ?? null;
            $runs = [...$at[$mating->fitting]->runs ?? [], ...$at[$mating->with]->runs ?? []];
            $halves = array_filter([$in->fitting($mating->fitting), $in->fitting($mating->with)]);
            $checks[] = new Check(
                fn (): string => implode(' ', [
                    'mating',
                    $mating->fitting,
                    $mating->with,
                    $taken,
                    ...array_map(spl_object_id(...), $halves),
                    ...array_map($this->print, $runs),
                ]),
                static fn (): array => [Subject::fitting($mating->fitting)->text()],
                fn (): array => [
                    Listed::Matings->place() => MatingChecks::of(
                        $mating,
                        $this->runs->among($this->inOrder($runs)),
                        $taken,
                        $in,
                    ),
                ],
            );
        }

        return $checks;
    }

    /**
     * @param  list<string>  $runs
     * @return list<string>
     */
    private function inOrder(array $runs): array
    {
        return array_map(
            strval(...),
            array_keys(array_intersect_key($this->installation->runs(), array_flip($runs))),
        );
    }

    /** @return list<Finding> */
    private function codes(): array
    {
        $used = [];
        foreach ($this->installation->runs() as $run) {
            if (! $run->withdrawn) {
                $used[$run->code][] = $run->id;
            }
        }
        $findings = [];
        foreach ($used as $code => $ids) {
            $count = count($ids) + count($this->beyond->coded((string) $code));
            foreach ($count > 1 ? $ids : [] as $id) {
                $findings[] = Finding::stop(
                    'run.code-twice',
                    Subject::run($id),
                    sprintf('%d runs have the code %s.', $count, $code),
                    'Give each run a code of its own.',
                );
            }
        }

        return $findings;
    }
}
