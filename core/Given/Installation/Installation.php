<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Measure\NotDecided;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Given\Schools\ColourScheme;
use Sartal\Core\Given\Schools\School;

/**
 * Everything that people decided about one installation. All maps are by id; a
 * key of digits is an integer to PHP, so readers take either. Whoever works
 * something out asks for single things by the readers (`run`, `theFitting`,
 * `rule` …), so that what it follows from can be noted.
 */
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
     * @param  array<int|string, GivenPattern>  $patterns
     * @param  array<int|string, ContactCheck>  $checked  by fitting
     * @param  array<int|string, Why>  $whys
     */
    public function __construct(
        public string $id,
        public string $name,
        private HouseRules $rules,
        public Catalogue $catalogue,
        private array $locations = [],
        private array $ways = [],
        private array $looms = [],
        private array $circuits = [],
        private array $equipment = [],
        private array $fittings = [],
        private array $runs = [],
        private array $matings = [],
        private array $splices = [],
        private array $links = [],
        private array $switches = [],
        private array $junctions = [],
        private array $panels = [],
        private array $reels = [],
        private Economy $economy = new Economy(),
        private Workshop $workshop = new Workshop(),
        private TestChoices $testing = new TestChoices(),
        private array $instruments = [],
        private array $patterns = [],
        private array $checked = [],
        private array $whys = [],
    ) {
    }

    /** The same under another id and name. */
    public function named(string $id, string $name): self
    {
        return $this->copy(['id' => $id, 'name' => $name]);
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
            'runs' => array_replace($this->runs, [$run->id => $run]),
            'fittings' => array_replace($this->fittings, $fittings),
            'circuits' => array_replace($this->circuits, $circuits),
        ]);
    }

    /** @return array<int|string, Location> */
    public function locations(): array
    {
        return $this->locations;
    }

    /** @return array<int|string, Way> */
    public function ways(): array
    {
        return $this->ways;
    }

    /** @return array<int|string, Loom> */
    public function looms(): array
    {
        return $this->looms;
    }

    /** @return array<int|string, Circuit> */
    public function circuits(): array
    {
        return $this->circuits;
    }

    /** @return array<int|string, Equipment> */
    public function equipment(): array
    {
        return $this->equipment;
    }

    /** @return array<int|string, Fitting> */
    public function fittings(): array
    {
        return $this->fittings;
    }

    /** @return array<int|string, Run> */
    public function runs(): array
    {
        return $this->runs;
    }

    /** @return list<Mating> */
    public function matings(): array
    {
        return $this->matings;
    }

    /** @return list<string> */
    public function splices(): array
    {
        return $this->splices;
    }

    /** @return list<Link> */
    public function links(): array
    {
        return $this->links;
    }

    /** @return array<int|string, PanelSwitch> */
    public function switches(): array
    {
        return $this->switches;
    }

    /** @return array<int|string, Junction> */
    public function junctions(): array
    {
        return $this->junctions;
    }

    /** @return array<int|string, Panel> */
    public function panels(): array
    {
        return $this->panels;
    }

    /** @return array<int|string, Reel> */
    public function reels(): array
    {
        return $this->reels;
    }

    /** @return array<int|string, Why> */
    public function whys(): array
    {
        return $this->whys;
    }

    /** @return array<int|string, ContactCheck> by fitting */
    public function checked(): array
    {
        return $this->checked;
    }

    /** @return array<int|string, GivenPattern> */
    public function patterns(): array
    {
        return $this->patterns;
    }

    /** @return array<int|string, Instrument> */
    public function instruments(): array
    {
        return $this->instruments;
    }

    public function rules(): HouseRules
    {
        return $this->rules;
    }

    /** As they hold for a run, or for one end of it. */
    public function rulesFor(Run $run, ?Side $side = null): HouseRules
    {
        return $this->rules->for(
            $this->catalogue->cable($run->cable)->family ?? '',
            $run->loom ?? '',
            $side === null ? [] : $run->end($side)->own,
        );
    }

    public function economy(): Economy
    {
        return $this->economy;
    }

    public function workshop(): Workshop
    {
        return $this->workshop;
    }

    public function testing(): TestChoices
    {
        return $this->testing;
    }

    public function run(int|string $id): ?Run
    {
        return $this->runs[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function theRun(int|string $id): Run
    {
        return $this->runs[$id] ?? throw NotDecided::of('run', (string) $id);
    }

    public function way(int|string $id): ?Way
    {
        return $this->ways[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function theWay(int|string $id): Way
    {
        return $this->ways[$id] ?? throw NotDecided::of('way', (string) $id);
    }

    public function loom(int|string $id): ?Loom
    {
        return $this->looms[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function theLoom(int|string $id): Loom
    {
        return $this->looms[$id] ?? throw NotDecided::of('loom', (string) $id);
    }

    public function circuit(int|string $id): ?Circuit
    {
        return $this->circuits[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function theCircuit(int|string $id): Circuit
    {
        return $this->circuits[$id] ?? throw NotDecided::of('circuit', (string) $id);
    }

    public function device(int|string $id): ?Equipment
    {
        return $this->equipment[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function theDevice(int|string $id): Equipment
    {
        return $this->equipment[$id] ?? throw NotDecided::of('device', (string) $id);
    }

    public function fitting(int|string $id): ?Fitting
    {
        return $this->fittings[$id] ?? null;
    }

    /** @throws NotDecided where there is none */
    public function theFitting(int|string $id): Fitting
    {
        return $this->fittings[$id] ?? throw NotDecided::of('fitting', (string) $id);
    }

    public function location(int|string $id): ?Location
    {
        return $this->locations[$id] ?? null;
    }

    public function junction(int|string $id): ?Junction
    {
        return $this->junctions[$id] ?? null;
    }

    public function switch(int|string $id): ?PanelSwitch
    {
        return $this->switches[$id] ?? null;
    }

    /**
     * What the house chose on one question.
     *
     * @template T of School
     *
     * @param  class-string<T>  $school
     * @return T
     */
    public function rule(string $school): School
    {
        return $this->rules->on($school);
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
