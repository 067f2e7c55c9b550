<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Closure;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Runs\RunPlans;
use Sartal\Core\Ways\Looming\Layout;
use Sartal\Core\Ways\Routing\WayChecks;
use Sartal\Core\Ways\Routing\WayLoads;

/** All that is looked at in a plan. */
final class Checks
{
    /** @var ?list<Neighbourhood> */
    private ?array $near = null;

    /**
     * @param  Closure(string): string  $print  run → print of all that its plan follows from
     * @param  array<int|string, Assembly>  $assemblies
     * @param  array<int|string, string>  $assemblyOf  run → assembly
     * @param  array<array-key, string>  $rotations
     */
    public function __construct(
        private readonly Installation $installation,
        private readonly RunPlans $runs,
        private readonly Closure $print,
        private readonly array $assemblies,
        private readonly array $assemblyOf,
        private readonly array $rotations,
        private readonly Layout $layout,
        private readonly WayLoads $ways,
    ) {
    }

    /** @return list<Check> in the order in which findings are listed */
    public function all(): array
    {
        $in = $this->installation;
        $near = $this->near();
        $prints = array_map($this->printOf(...), $near);
        $subjects = array_map(static fn (Neighbourhood $each): array => $each->subjects(), $near);
        $turns = array_keys($near);
        $turnOf = [];
        foreach ($near as $turn => $each) {
            $turnOf += array_fill_keys($each->runs, $turn);
        }
        $joined = fn (NeighbourCheck $check): array => array_map(
            fn (Neighbourhood $each, string $print, array $about, int $turn): Check => new Check(
                $check::class.' '.$print,
                $about,
                fn (): array => $check->of($each, $this->runs->among($each->runs)),
                $turn,
            ),
            $near,
            $prints,
            $subjects,
            $turns,
        );

        return [
            ...$this->ofRuns($turnOf),
            ...$this->ofWays(),
            ...self::known($this->ofLooms()),
            ...self::known($this->layout->tails->findings()),
            ...self::known($this->codes()),
            ...self::known(FittingChecks::plans($in)),
            ...$joined(new FittingChecks($in)),
            ...$this->ofMatings(),
            ...$joined(new JoinChecks($in)),
            ...$joined(new PortChecks($in)),
            ...self::known(PortChecks::spare($in)),
            ...$joined(new PhantomChecks($in)),
            ...self::known(LabelChecks::findings($this->rotations, $this->runs)),
            ...self::known(LabelChecks::texts($in, $this->runs)),
            ...$joined(new ReachChecks($in)),
        ];
    }

    /** Once all looks of a turn are taken: what they looked at is made again where somebody asks for it. */
    public function leave(int $turn): void
    {
        foreach (($this->near()[$turn] ?? null)->runs ?? [] as $run) {
            $this->runs->get($run)->forget();
        }
    }

    /** @return list<Neighbourhood> */
    private function near(): array
    {
        return $this->near ??= Neighbourhoods::in($this->installation, $this->assemblies, $this->assemblyOf);
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<Check>
     */
    private static function known(array $findings): array
    {
        return array_map(Check::known(...), $findings);
    }

    /** What looks at a neighbourhood follows from its runs, and from fittings and circuits as they are. */
    private function printOf(Neighbourhood $near): string
    {
        $parts = array_map($this->print, $near->runs);
        foreach ($near->fittings() as $fitting) {
            $known = $this->installation->fitting($fitting);
            $parts[] = $known === null ? $fitting : (string) spl_object_id($known);
        }
        foreach ($near->circuits as $circuit) {
            $known = $this->installation->circuit($circuit);
            $parts[] = $known === null ? $circuit : (string) spl_object_id($known);
        }

        return hash('xxh128', implode(' ', $parts));
    }

    /**
     * @param  array<int|string, int>  $turns  by run
     * @return list<Check> each of a run by itself
     */
    private function ofRuns(array $turns): array
    {
        $checks = [];
        foreach ($this->installation->runs() as $run) {
            $checks[] = new Check(
                'run '.($this->print)($run->id),
                [Subject::run($run->id)->text()],
                fn (): array => $this->runs->get($run->id)->findings(),
                $turns[$run->id],
            );
        }

        return $checks;
    }

    /** @return list<Check> */
    private function ofWays(): array
    {
        $look = new WayChecks($this->installation, $this->layout->routes, $this->layout->router, $this->ways);
        $checks = [];
        foreach ($this->installation->ways() as $way) {
            $inside = array_map($this->print, $this->ways->inside($way->id));
            $checks[] = new Check(
                'way '.$way->id.' '.hash('xxh128', implode(' ', $inside)),
                [Subject::way($way->id)->text()],
                fn (): array => $look->of($this->ways->of($way->id)),
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
                implode(' ', [
                    'mating',
                    $mating->fitting,
                    $mating->with,
                    $taken,
                    ...array_map(spl_object_id(...), $halves),
                    ...array_map($this->print, $runs),
                ]),
                [Subject::fitting($mating->fitting)->text()],
                fn (): array => MatingChecks::of($mating, $this->runs->among($this->inOrder($runs)), $taken, $in),
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
            foreach (count($ids) > 1 ? $ids : [] as $id) {
                $findings[] = Finding::stop(
                    'run.code-twice',
                    Subject::run($id),
                    sprintf('%d runs have the code %s.', count($ids), $code),
                    'Give each run a code of its own.',
                );
            }
        }

        return $findings;
    }
}
