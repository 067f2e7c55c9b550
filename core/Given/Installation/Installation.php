<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Given\Schools\ColourScheme;

/** Everything that people decided about one installation. All maps are by id. */
final readonly class Installation
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  Catalogue  $catalogue  the types that the installation uses, pinned
     * @param  array<int|string, Location>  $locations
     * @param  array<int|string, Way>  $ways
     * @param  array<int|string, Loom>  $looms
     * @param  array<int|string, Circuit>  $circuits
     * @param  array<int|string, Equipment>  $equipment
     * @param  array<int|string, Fitting>  $fittings
     * @param  array<int|string, Run>  $runs
     * @param  list<Mating>  $matings
     * @param  list<string>  $splices
     * @param  list<Link>  $links
     * @param  array<int|string, PanelSwitch>  $switches
     * @param  array<int|string, Junction>  $junctions
     * @param  array<int|string, Panel>  $panels
     * @param  array<int|string, Reel>  $reels
     * @param  array<int|string, Instrument>  $instruments
     */
    public function __construct(
        public string $id,
        public string $name,
        public HouseRules $rules,
        public Catalogue $catalogue,
        public array $locations = [],
        public array $ways = [],
        public array $looms = [],
        public array $circuits = [],
        public array $equipment = [],
        public array $fittings = [],
        public array $runs = [],
        public array $matings = [],
        public array $splices = [],
        public array $links = [],
        public array $switches = [],
        public array $junctions = [],
        public array $panels = [],
        public array $reels = [],
        public Economy $economy = new Economy(),
        public Workshop $workshop = new Workshop(),
        public TestRules $testing = new TestRules(),
        public array $instruments = [],
    ) {
    }

    public function withCatalogue(Catalogue $catalogue): self
    {
        return $this->copy(['catalogue' => $catalogue]);
    }

    public function withRules(HouseRules $rules): self
    {
        return $this->copy(['rules' => $rules]);
    }

    /** @param  array<int|string, Way>  $ways */
    public function withWays(array $ways): self
    {
        return $this->copy(['ways' => $ways]);
    }

    /**
     * With a run that is not one of it yet, and what it brings along.
     *
     * @param  array<int|string, Fitting>  $fittings
     * @param  array<int|string, Circuit>  $circuits
     */
    public function withRun(Run $run, array $fittings = [], array $circuits = []): self
    {
        return $this->copy([
            'runs' => [$run->id => $run] + $this->runs,
            'fittings' => $fittings + $this->fittings,
            'circuits' => $circuits + $this->circuits,
        ]);
    }

    /** A contact plan, as the house's colour scheme has it. */
    public function plan(string $id): ?ContactPlan
    {
        return $this->catalogue->plan($id, $this->rules->on(ColourScheme::class)->value);
    }

    /** A port by its "device:port"; null where there is none. */
    public function port(string $reference): ?Port
    {
        $at = PortRef::from($reference);

        return ($this->equipment[$at->device] ?? null)?->port($at->port);
    }

    public function locationName(string $id): string
    {
        return $this->locations[$id]->name ?? $id;
    }

    /** A location or a junction, by its name. */
    public function placeName(string $id): string
    {
        return $this->locations[$id]->name ?? ($this->junctions[$id]->name ?? $id);
    }

    /**
     * @param  array<string, mixed>  $changes  property → what it is in the copy
     */
    public function changed(array $changes): self
    {
        return $this->copy($changes);
    }
}
