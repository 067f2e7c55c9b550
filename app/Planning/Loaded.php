<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Plan\Checks\Instruments;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\OnWhat;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\CutPlan;
use Sartal\Core\Work\Cutting\Cuts;

/** One installation as the core knows it, with the versions under which it was read. */
final class Loaded
{
    use Withers;

    /** What follows from the rest is worked out anew. */
    protected const DERIVED = [
        'plan' => true,
        'cutPlan' => true,
        'cutFacts' => true,
        'allotments' => true,
        'packings' => true,
        'instruments' => true,
        'shared' => true,
        'planner' => true,
    ];

    private ?Plan $plan = null;

    private ?CutPlan $cutPlan = null;

    private ?CutFacts $cutFacts = null;

    private ?KeptAllotments $allotments = null;

    private ?KeptPackings $packings = null;

    private ?Instruments $instruments = null;

    /** @var array<string, array<int|string, int>> kind → id → version, of those that were asked for */
    private array $shared = [];

    private readonly Planner $planner;

    public readonly KeptPrints $prints;

    /**
     * @param  array<int|string, int>  $versions  of its runs
     * @param  array<int|string, string>  $people  what its record calls people by → name
     * @param  ?Beyond  $beyond  where it is read in part: what that has to know of the rest; null: it is whole
     */
    public function __construct(
        public readonly StoredInstallation $stored,
        public readonly Installation $installation,
        public readonly Catalogue $pinned,
        public readonly Record $record,
        public readonly array $versions,
        public readonly array $people,
        ?KeptPrints $prints = null,
        public readonly ?Beyond $beyond = null,
    ) {
        // What is kept is kept under a hash of all that it follows from: several versions of one installation share it.
        $this->prints = $prints ?? new KeptPrints($stored);
        $this->planner = new Planner($this->prints);
    }

    /** How what is still to be cut comes off the stock. */
    public function cutPlan(): CutPlan
    {
        return $this->cutPlan ??= $this->cuts($this->record);
    }

    /** What there is to cut, and to cut it from. */
    public function cutFacts(): CutFacts
    {
        return $this->cutFacts ??= CutFacts::of($this->installation, $this->plan());
    }

    /** @param  ?list<string>  $runs  where an order is for these alone */
    public function cuts(Record $record, ?array $runs = null): CutPlan
    {
        $this->allotments ??= new KeptAllotments($this->stored);

        return Cuts::plan($this->cutFacts(), $record, $runs, $this->allotments);
    }

    /** @return list<string> ids of what something that is done to a run now is done on */
    public function basis(string $run): array
    {
        $assembly = $this->plan()->assemblies[$this->plan()->assemblyOf[$run] ?? ''] ?? null;

        return OnWhat::now($this->record->together($assembly->runs ?? [$run]));
    }

    public function instruments(): Instruments
    {
        return $this->instruments ??= new Instruments($this->installation);
    }

    /**
     * Of things that runs share, by which a write of them says what it was made on: asked for together.
     *
     * @param  list<string>  $ids
     * @return array<int|string, int> by id
     */
    public function sharedVersions(DecisionKind $kind, array $ids): array
    {
        $known = $this->shared[$kind->value] ?? [];
        $unknown = array_values(array_diff(array_unique($ids), array_map(strval(...), array_keys($known))));
        if ($unknown !== []) {
            $rows = $this->stored->entries()->toBase()->where('kind', $kind->value)->whereIn('key', $unknown);
            $found = $rows->pluck('version', 'key')->map(static fn (mixed $version): int => (int) $version)->all();
            $known += $found + array_fill_keys($unknown, 1);
            $this->shared[$kind->value] = $known;
        }

        return array_intersect_key($known, array_flip($ids));
    }

    public function version(DecisionKind $kind, string $id): int
    {
        return $this->sharedVersions($kind, [$id])[$id] ?? 1;
    }

    /** With every single step in its record, for what says all that was done. */
    public function whole(): self
    {
        return $this->copy(['record' => Uncollected::run(fn (): Record => Recorded::whole($this->stored))]);
    }

    /**
     * The same decisions, as far as something else of them is read.
     *
     * @param  array<int|string, int>  $versions  of its runs
     */
    public function being(Installation $installation, Record $record, array $versions): self
    {
        return $this->copy(['installation' => $installation, 'record' => $record, 'versions' => $versions]);
    }

    /**
     * As it is decided since, by what was recorded until then.
     *
     * @param  array<int|string, int>  $versions  of its runs
     */
    public function since(
        StoredInstallation $stored,
        Installation $installation,
        Catalogue $pinned,
        array $versions,
    ): self {
        return $this->copy([
            'stored' => $stored,
            'installation' => $installation,
            'pinned' => $pinned,
            'versions' => $versions,
        ]);
    }

    /** Where it is a part: the same, which knows this of the rest. */
    public function seeing(?Beyond $beyond): self
    {
        return $this->copy(['beyond' => $beyond]);
    }

    public function dresser(?Installation $of = null): Dresser
    {
        return new Dresser($of ?? $this->installation, $this->packings ??= new KeptPackings($this->stored));
    }

    /** With a plan of the same decisions and the same record. */
    public function planned(Plan $plan): self
    {
        $this->plan = $plan;

        return $this;
    }

    public function plan(): Plan
    {
        if ($this->plan === null) {
            $this->plan = Uncollected::run(
                fn (): Plan => $this->planner->plan($this->installation, $this->record, $this->beyond),
            );
        }

        return $this->plan;
    }
}
