<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Ends\Wiring\Assemblies;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Plan\Checks\Checks;
use Sartal\Core\Plan\Checks\Judgement;
use Sartal\Core\Plan\Checks\LabelChecks;
use Sartal\Core\Plan\Checks\ResultChecks;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Runs\Lately;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Plan\Runs\RunPlans;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Ways\Looming\CutLength;
use Sartal\Core\Ways\Looming\Layout;
use Sartal\Core\Ways\Routing\WayLoads;

/**
 * Everything that follows from an installation and its record, worked out as far as somebody asks. Of two plans of one
 * setting, what follows from the same in both is found without working it out ({@see Plan::isAs}).
 */
final class Plan
{
    public readonly Layout $layout;

    public readonly RunPlans $runs;

    public readonly WayLoads $ways;

    /** @var array<int|string, Assembly> */
    public readonly array $assemblies;

    /** @var array<int|string, string> run → assembly */
    public readonly array $assemblyOf;

    private readonly InputHashes $hashes;

    private readonly Judgement $judgement;

    /** @var array<int|string, list<Bead>> by run */
    private array $strands = [];

    /** @var Lately<RunPlan, Fingerprints> */
    private readonly Lately $prints;

    /** @var ?array<array-key, string> */
    private ?array $rotations = null;

    private ?Relied $relied = null;

    private ?string $setting = null;

    /** @var ?list<Finding> */
    private ?array $results = null;

    /** @var ?array<int|string, list<Finding>> by the text of its subject */
    private ?array $resultsBy = null;

    public function __construct(
        private readonly Installation $installation,
        private readonly Record $record,
        private readonly PlanCache $cache,
        Beyond $beyond,
    ) {
        $this->rotations = $beyond->rotations;
        $this->prints = new Lately();
        $this->layout = new Layout($installation);
        $this->hashes = new InputHashes($installation, $this->layout, $cache->hashes());
        $this->runs = new RunPlans($installation->runs(), $this->run(...));
        $this->ways = new WayLoads($installation, $this->layout->routes);
        $this->assemblies = Assemblies::find($installation);
        $assemblyOf = [];
        foreach ($this->assemblies as $assembly) {
            foreach ($assembly->runs as $run) {
                $assemblyOf[$run] = $assembly->id;
            }
        }
        $this->assemblyOf = $assemblyOf;
        $this->judgement = new Judgement(
            fn (): array => (new Checks(
                $installation,
                $this->runs,
                $this->print(...),
                $cache->hashes()->of(...),
                $this->setting(...),
                $cache,
                $this->assemblies,
                $this->assemblyOf,
                $this->rotations(),
                $this->layout,
                $this->ways,
                $beyond,
            ))->all(),
        );
    }

    /** @return list<Finding> all of them */
    public function findings(): array
    {
        return [...$this->judged(), ...$this->results()];
    }

    /** @return list<Finding> what is not right with what was decided */
    public function judged(): array
    {
        return $this->judgement->findings();
    }

    /** @return list<Finding> that follow from what was decided */
    public function judgedOn(Subject $subject): array
    {
        return $this->judgement->on($subject);
    }

    /** @return list<Finding> what is not right with results that count */
    public function results(): array
    {
        return $this->results ??= ResultChecks::in($this->installation, $this->record)->of($this->assemblies);
    }

    /** @return list<Finding> */
    public function resultsOn(Subject $subject): array
    {
        if ($this->resultsBy === null) {
            $this->resultsBy = [];
            foreach ($this->results() as $finding) {
                $this->resultsBy[$finding->subject->text()][] = $finding;
            }
        }

        return $this->resultsBy[$subject->text()] ?? [];
    }

    /** How much is wrong with what was decided, and not only noted. */
    public function wrong(): int
    {
        return self::count($this->judged());
    }

    /**
     * By how much that is more than in another plan.
     *
     * @param  ?list<string>  $among  runs of which something may be otherwise; null: any
     */
    public function moreWrongThan(self $other, ?array $among = null): int
    {
        return self::count($this->judgedBeside($other, $among)) - self::count($other->judgedBeside($this, $among));
    }

    /** @param  list<Finding>  $findings */
    private static function count(array $findings): int
    {
        return count(array_filter($findings, static fn (Finding $finding): bool => $finding->isWrong()));
    }

    /** How long a run is cut, and how that comes about: nothing else of it is worked out. */
    public function cut(int|string $run): Worked
    {
        return $this->runs->made($run)->cut ??
            CutLength::work($this->installation->theRun((string) $run), $this->installation, $this->layout->lays[$run]);
    }

    /** @return list<Bead> where a run stands; none where there is no such run */
    public function strand(int|string $run): array
    {
        return isset($this->runs[$run]) ? ($this->strands[$run] ??= $this->read((string) $run)) : [];
    }

    /** @return array<int|string, list<Bead>> where every run stands */
    public function strands(): array
    {
        return $this->runs->map(fn (RunPlan $run): array => $this->strand($run->run));
    }

    /** What was done on a run relies on this: on what its assembly reads, where something is said of that. */
    public function fingerprints(int|string $run): Fingerprints
    {
        return $this->prints->of(
            $this->runs->get($run),
            fn (): Fingerprints => $this->relied()->on(
                (string) $run,
                RunEvents::relyOnReading($this->events((string) $run)) ? $this->assembly($run) : null,
            ),
        );
    }

    /** What is done on a run now relies on this, its test too, whether there is one yet or not. */
    public function reliedOn(int|string $run): Fingerprints
    {
        return $this->relied()->on((string) $run, $this->assembly($run));
    }

    /** @return list<list<string>> what each label of a run reads, and how it is turned where it is marked */
    public function labels(int|string $run): array
    {
        return $this->relied()->labels((string) $run);
    }

    public function assembly(int|string $run): Assembly
    {
        return $this->assemblies[$this->assemblyOf[$run]];
    }

    /** @return array<array-key, string> printed text → what it reads upside down */
    public function rotations(): array
    {
        return $this->rotations ??= LabelChecks::clashes($this->installation);
    }

    /** Of all that the plan of a run by itself follows from. */
    public function print(string $run): string
    {
        return $this->hashes->run($this->installation->theRun($run));
    }

    /** Of all that the reading of an assembly follows from. */
    public function printOf(Assembly $assembly): string
    {
        return $this->hashes->assembly($assembly);
    }

    /**
     * Whether everything of a run is as in another plan: what follows for it, what work on it relies on and where it
     * stands. Says no where that would have to be worked out to be known.
     */
    public function isAs(self $other, int|string $run): bool
    {
        if ($this->record !== $other->record || ! isset($this->runs[$run], $other->runs[$run])) {
            return false;
        }
        [$here, $there] = [$this->assembly($run), $other->assembly($run)];

        return $here->runs === $there->runs &&
            $this->printOf($here) === $other->printOf($there) &&
            ($this->rotations() === $other->rotations() || $this->labels($run) === $other->labels($run));
    }

    /** Whether an assembly should read as another does in another plan. */
    public function readsAs(Assembly $here, self $other, Assembly $there): bool
    {
        return $this->printOf($here) === $other->printOf($there) ||
            $this->relied()->reading($here)->now() === $other->relied()->reading($there)->now();
    }

    /**
     * Findings among which are all that another plan does not have. Where they are of one setting, what follows from
     * the same in both is not looked at.
     *
     * @return list<Finding>
     */
    public function findingsBeside(self $other): array
    {
        return [...$this->judgedBeside($other), ...$this->results()];
    }

    /**
     * The same of those that follow from what was decided.
     *
     * @param  ?list<string>  $among  runs of which something may be otherwise; null: any
     * @return list<Finding>
     */
    public function judgedBeside(self $other, ?array $among = null): array
    {
        return self::isOneSetting($this->installation, $other->installation)
            ? $this->judgement->beside($other->judgement, $among)
            : $this->judged();
    }

    /**
     * Of all that joins are looked at with, but for runs, their fittings and circuits. How a run lies is in its own
     * print: of ways, junctions and panels nothing else counts there than whether a way that it names is one.
     */
    private function setting(): string
    {
        $in = $this->installation;

        return $this->setting ??= hash('xxh128', $this->cache->hashes()->of($in->catalogue).serialize([
            $in->rules(),
            $in->locations(),
            array_keys($in->ways()),
            array_keys($in->looms()),
            $in->equipment(),
            $in->matings(),
            $in->splices(),
            $in->links(),
            $in->switches(),
        ]));
    }

    /** Whether two installations differ in nothing but ways, and runs with their fittings and circuits. */
    private static function isOneSetting(Installation $one, Installation $other): bool
    {
        return $one->catalogue->holdsAs($other->catalogue) && self::around($one) === self::around($other);
    }

    /** @return list<mixed> all but types, ways, and runs with their fittings and circuits */
    private static function around(Installation $in): array
    {
        return [
            $in->rules(),
            $in->locations(),
            $in->junctions(),
            $in->looms(),
            $in->panels(),
            $in->equipment(),
            $in->matings(),
            $in->splices(),
            $in->links(),
            $in->switches(),
        ];
    }

    private function run(string $id): RunPlan
    {
        $inputs = $this->print($id);
        $plan = $this->cache->run($inputs);
        if ($plan === null) {
            $plan = RunPlanner::plan(
                $this->installation->theRun($id),
                $this->installation,
                $this->layout->lays[$id],
                $this->cache->ends(),
            );
            $this->cache->keepRun($inputs, $plan);
        }

        return $plan;
    }

    /** @return list<Bead> */
    private function read(string $run): array
    {
        return Strand::read($this->installation->theRun($run), $this->events($run), $this->fingerprints($run));
    }

    /** @return list<Event> */
    private function events(string $run): array
    {
        return RunEvents::of($run, $this->assembly($run)->runs, $this->record);
    }

    private function relied(): Relied
    {
        return $this->relied ??= new Relied(
            $this->installation,
            $this->runs,
            $this->hashes,
            $this->rotations(),
            $this->cache,
        );
    }
}
