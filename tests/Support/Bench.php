<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Planning\ShippedCatalogue;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\File\CatalogueDecoder;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\FireClass;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\Gestures\EarthDrain;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Planning\AssemblyPlanner;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Proof\Diagnosing\FaultPlaces;
use Sartal\Core\Proof\Diagnosing\Patch;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\MapMethod;
use Sartal\Core\Proof\Testing\Reading;

/** An installation of a few runs, made the way the application makes them, to try the rules on. */
final class Bench
{
    private function __construct(public readonly Installation $installation)
    {
    }

    public static function of(RunRequest ...$requests): self
    {
        $catalogue = ShippedCatalogue::load();
        $proposer = new Proposer($catalogue);
        [$runs, $fittings, $circuits] = [[], [], []];
        foreach ($requests as $request) {
            $proposal = $proposer->propose($request);
            $runs[$proposal->run->id] = $proposal->run;
            $fittings += $proposal->fittings;
            $circuits += $proposal->circuits;
        }

        return new self(
            new Installation(
                'test',
                'Test',
                HouseRules::defaults(),
                $catalogue,
                ['here' => new Location('here', 'Here'), 'there' => new Location('there', 'There')],
                ['tray' => new Way('tray', 'Tray', WayKind::Tray, Length::metres(10), 'here', 'there')],
                circuits: $circuits,
                fittings: $fittings,
                runs: $runs,
            ),
        );
    }

    /**
     * @param  list<string>  $signals
     * @param  list<string>  $a  contact plans
     * @param  list<string>  $b
     */
    public static function request(
        string $id,
        string $cable,
        array $signals,
        array $a,
        array $b,
        ?string $code = null,
    ): RunRequest {
        $end = static fn (string $location, array $plans): Termination => new Termination(
            $location,
            $plans,
            Length::metres(1),
            Length::zero(),
            Length::millimetres(40),
            0,
            Length::millimetres(300),
        );

        return new RunRequest($id, $code ?? $id, $cable, $signals, Build::Shop, $end('here', $a), $end('there', $b), [
            'tray',
        ]);
    }

    public static function microphone(): self
    {
        return self::of(
            self::request(
                'A-1',
                'pair-foil',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        );
    }

    public static function category(string $b = '8p8c-plug-t568b'): self
    {
        return self::of(self::request('C-1', 'cat6-utp', ['network'], ['8p8c-plug-t568b'], [$b]));
    }

    public static function coax(): self
    {
        return self::of(self::request('V-1', 'coax-75-12g', ['video'], ['bnc75-plug-video'], ['bnc75-plug-video']));
    }

    /** A composite whose mains is screened, with its drain under one screw with earth at both ends. */
    public static function drainWithEarth(): self
    {
        $bench = self::of(
            self::request(
                'P-1',
                'composite-screened',
                ['mains', 'analogue'],
                ['power-out-cable-two-mains', 'xlr3-female-cable-balanced'],
                ['power-in-cable-two-mains', 'xlr3-male-cable-balanced'],
            ),
        );
        $sketch = new Sketch($bench->installation);
        (new EarthDrain('P-1'))->draw($sketch);

        return $bench->with(runs: $sketch->drawn()->in->runs());
    }

    public static function stageBox(): self
    {
        return self::of(
            self::request('M-1', 'multicore-24', ['analogue'], ['xlr3-female-cable-balanced'], ['rect90-male-24ch']),
        );
    }

    /** With other parts in the installation's place. */
    public function with(mixed ...$parts): self
    {
        return new self($this->installation->changed($parts));
    }

    public function withRun(Run $run): self
    {
        return $this->with(runs: [$run->id => $run] + $this->installation->runs());
    }

    /**
     * With the catalogue edited in its file's shape.
     *
     * @param  array<string, mixed>  $edits  "connectors.<id>.cable.entry" → value; lists by their number
     */
    public function withCatalogueEdited(array $edits): self
    {
        /** @var array<string, list<array<string, mixed>>> $shape */
        $shape = json_decode((string) json_encode(CatalogueEncoder::catalogue($this->installation->catalogue)), true);
        foreach ($shape as $kind => $entries) {
            $shape[$kind] = array_column($entries, null, 'id');
        }
        foreach ($edits as $path => $value) {
            $at = &$shape;
            foreach (explode('.', $path) as $key) {
                $at = &$at[$key];
            }
            $at = $value;
            unset($at);
        }
        $problems = new Problems();
        $catalogue = CatalogueDecoder::catalogue(
            Fields::from(array_map(array_values(...), $shape), 'catalogue', $problems),
        );
        $problems->settle();

        return new self($this->installation->withCatalogue($catalogue));
    }

    /** The same from before there were procedures: its catalogue has recipes, and its connectors named them. */
    public function fromBefore(): self
    {
        $catalogue = $this->installation->catalogue;

        return new self($this->installation->withCatalogue(
            $catalogue->naming($catalogue->connectors(), $catalogue->procedures(), FormerFixtures::making()),
        ));
    }

    public function withFitting(string $id, mixed ...$changes): self
    {
        return $this->with(
            fittings: [$id => new Fitting(...$changes + get_object_vars($this->installation->fittings()[$id]))] +
                $this->installation->fittings(),
        );
    }

    public function withCircuit(string $id, mixed ...$changes): self
    {
        return $this->with(
            circuits: [$id => new Circuit(...$changes + get_object_vars($this->installation->circuits()[$id]))] +
                $this->installation->circuits(),
        );
    }

    public function withFireClass(string $location, string $class): self
    {
        return $this->with(
            locations: [$location => new Location($location, $location, FireClass::from($class))] +
                $this->installation->locations(),
        );
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<string>
     */
    public static function codes(array $findings): array
    {
        return array_map(static fn (Finding $finding): string => $finding->code, $findings);
    }

    public function plan(): Plan
    {
        return (new Planner())->plan($this->installation);
    }

    public function assemblies(?Plan $plan = null): AssemblyPlanner
    {
        return new AssemblyPlanner($this->installation, ($plan ?? $this->plan())->runs);
    }

    public function expectation(?string $assembly = null): Expectation
    {
        $plan = $this->plan();

        return $this->assemblies($plan)->expectation(
            $plan->assemblies[$assembly ?? (string) array_key_first($plan->assemblies)],
        );
    }

    /** @return array{Patch, FaultPlaces} all of the first assembly's wiring, and where faults can be in it */
    public function everywhere(): array
    {
        $plan = $this->plan();
        $expectation = $this->expectation();
        $places = $this->assemblies($plan)->places($plan->assemblies[array_key_first($plan->assemblies)]);
        $probes = array_map(strval(...), array_keys($expectation->setup->from + $expectation->setup->to));

        return [Patch::around($probes, $expectation->wiring, $places->order), $places];
    }

    /** What the only assembly would read with these faults in it. */
    public function readingWith(WiringEdit ...$faults): Reading
    {
        $expectation = $this->expectation();
        $wiring = $expectation->wiring;
        foreach ($faults as $fault) {
            $wiring = $wiring->edited($fault);
        }

        return MapMethod::read($wiring, $expectation->setup);
    }

    /**
     * Names of the causes that are found for a reading, likeliest first.
     *
     * @return list<list<string>> by trouble
     */
    public function causes(Reading $reading): array
    {
        $plan = $this->plan();
        $assemblies = $this->assemblies($plan);
        $assembly = $plan->assemblies[array_key_first($plan->assemblies)];
        $words = $assemblies->words($assembly);
        $diagnosis = $assemblies->diagnose($assembly, $assemblies->expectation($assembly), $reading);
        $named = [];
        foreach ($diagnosis->troubles as $trouble) {
            $causes = [];
            foreach ($trouble->causes as $cause) {
                $causes[] = implode(' + ', array_map($words->name(...), $cause->faults));
            }
            $named[] = $causes;
        }

        return $named;
    }

    /** Exchanges what two joints of one end sit on. */
    public function swap(string $one, string $other): WiringEdit
    {
        $edges = $this->expectation()->wiring->edges;
        [$first, $second] = [$this->joint($one), $this->joint($other)];

        return new WiringEdit([
            $first => $edges[$first]->movedTo($edges[$second]->to),
            $second => $edges[$second]->movedTo($edges[$first]->to),
        ]);
    }

    /** The id of the joint at a terminal given as "fitting/address". */
    public function joint(string $terminal): string
    {
        foreach ($this->expectation()->wiring->at('t:'.$terminal) as $edge) {
            if (str_starts_with($edge->id, 'j:')) {
                return $edge->id;
            }
        }
        throw new \LogicException('No joint at '.$terminal);
    }
}
