<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Runs\RunPlan;

/** A warm cache must never show: whatever is edited, the plan is the one worked out from scratch. */
final class CacheSoundnessTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function demo(): array
    {
        return json_decode((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'), true);
    }

    /**
     * Every kind of thing that a plan rests on, changed in one place.
     *
     * @return array<string, callable(array<string, mixed>): array<string, mixed>>
     */
    private static function edits(): array
    {
        $at = static fn (string $path, mixed $value): callable => static function (array $data) use (
            $path,
            $value,
        ): array {
            $place = &$data;
            foreach (explode('.', $path) as $key) {
                $place = &$place[$key];
            }
            $place = $value;

            return $data;
        };
        $index = static function (string $list, string $id): int {
            $found = array_search($id, array_column(self::demo()[$list], 'id'), true);
            self::assertIsInt($found);

            return $found;
        };
        $type = static function (string $kind, string $id): int {
            $found = array_search($id, array_column(self::demo()['catalogue'][$kind], 'id'), true);
            self::assertIsInt($found);

            return $found;
        };
        $run = 'runs.'.$index('runs', 'A-114');
        $mixed = 'runs.'.$index('runs', 'M-202');

        return [
            'route allowance' => $at('installation.rules.routeAllowance', 7.5),
            'cut step' => $at('installation.rules.cutStep', '1 in'),
            'screen and drain' => $at('installation.rules.screenAndDrain', 'together'),
            'shell bond' => $at('installation.rules.shell', 'bonded'),
            'a way longer' => $at('ways.'.$index('ways', 'riser-a').'.length', '5 m'),
            'a way renamed' => $at('ways.'.$index('ways', 'riser-a').'.name', 'Riser west'),
            'a location renamed' => $at('locations.'.$index('locations', 'amp-rack-1').'.name', 'Rack 6'),
            'another code' => $at($run.'.code', 'A-999'),
            'a code that is taken' => $at($run.'.code', 'A-116'),
            'another cable' => $at($run.'.cable', 'star-quad'),
            'a cable that is unknown' => $at($run.'.cable', 'gold'),
            'no ways' => $at($run.'.ways', []),
            'a tail longer' => $at($run.'.a.tail', '3 m'),
            'one spare more' => $at($run.'.b.spares', 3),
            'an exception' => $at($run.'.b.exceptions', [
                ['conductor' => 'p1/a', 'to' => 'A-114.b1/3', 'reason' => 'test'],
            ]),
            'a reason' => $at($run.'.a.unused', ['p1' => 'kept']),
            'withdrawn' => $at($run.'.withdrawn', true),
            'a leg renamed' => $at($mixed.'.b.legs.0.label', '16'),
            'a leg lands elsewhere' => $at($mixed.'.b.legs.0.landing.fitting', 'M-202.b2'),
            'a leg on another channel' => $at($mixed.'.a.legs.0.landing.channels.p1', '2'),
            'a fitting of another type' => $at(
                'fittings.'.$index('fittings', 'A-114.b1').'.connector',
                'xlr3-female-cable',
            ),
            'a contact declared shared' => $at('fittings.'.$index('fittings', 'A-114.b1').'.shared', ['2']),
            'a circuit of another signal' => $at('circuits.'.$index('circuits', 'A-114.c1').'.signal', 'aes3'),
            'a signal that is unknown' => $at('circuits.'.$index('circuits', 'A-114.c1').'.signal', 'telepathy'),
            'a plan changed' => $at(
                'catalogue.plans.'.$type('plans', 'xlr3-male-cable-balanced').'.channels.1.hot',
                '3',
            ),
            'a connector that takes one wire' => $at(
                'catalogue.connectors.'.$type('connectors', 'xlr3-male-cable').'.cavities.1.wires',
                1,
            ),
            'a connector without a shell' => $at(
                'catalogue.connectors.'.$type('connectors', 'xlr3-male-cable').'.conductiveShell',
                false,
            ),
            'a core of another gauge' => $at(
                'catalogue.cables.'.$type('cables', 'pair-foil').'.construction.children.0.children.0.gauge',
                '18 AWG',
            ),
            'a core on another pole' => $at(
                'catalogue.cables.'.$type('cables', 'pair-foil').'.construction.children.0.children.0.pole',
                'b',
            ),
            'a function no longer needed' => $at(
                'catalogue.signals.'.$type('signals', 'analogue').'.functions.1.required',
                false,
            ),
            'the colour scheme' => $at('installation.rules.colourScheme', 'A'),
            'which core is hot' => $at('installation.rules.hotColour', 'white'),
            'cut long' => $at('installation.rules.lengthPractice', 'cut-long'),
            'how a label is marked' => $at('installation.rules.labelTurn', 'leading-letter'),
            'a place that asks for a fire class' => $at(
                'locations.'.$index('locations', 'lectern').'.fire',
                'air-handling',
            ),
            'an entry too narrow' => $at(
                'catalogue.connectors.'.$type('connectors', 'xlr3-male-cable').'.cable.entry',
                ['1 mm', '2 mm'],
            ),
            'a chuck for other cable' => $at('catalogue.parts.'.$type('parts', 'chuck-narrow').'.grips', [
                '4 mm',
                '5 mm',
            ]),
            'cups for solid wire' => $at(
                'catalogue.connectors.'.$type('connectors', 'xlr3-male-cable').'.cable.terminals.0.strands',
                'solid',
            ),
            'a thicker cable' => $at('catalogue.cables.'.$type('cables', 'pair-foil').'.outerDiameter', '9 mm'),
            'a signal of an impedance' => $at('catalogue.signals.'.$type('signals', 'analogue').'.impedance', 600),
            'a part chosen by hand' => $at('fittings.'.$index('fittings', 'M-201.b1').'.parts', [
                'contact-rect-female',
            ]),
            'an exit that is not there' => $at('fittings.'.$index('fittings', 'M-201.b1').'.exit', 'roof'),
            'a port for another signal' => $at('equipment.0.ports.1.signal', 'aes3'),
            'phantom through a switch' => $at('circuits.'.$index('circuits', 'M-203.c3').'.phantom', 'split-out-3'),
            'a chain without its end' => $at('circuits.'.$index('circuits', 'D-035.c1').'.terminator', ''),
            'a mating undone' => $at('matings', []),
            'a port with another plan' => $at('equipment.0.ports.0.plan', 'xlr3-female-panel-balanced'),
            'a link' => $at('links', [['from' => 'A-114.b1/2', 'to' => 'A-116.b1/2']]),
            'a way that leads elsewhere' => $at('ways.'.$index('ways', 'under-stage').'.to', 'rack-room'),
            'a way for mains alone' => $at('ways.'.$index('ways', 'riser-a').'.takes', 'mains'),
            'a way pinned' => $at($run.'.ways', ['under-stage', 'riser-a']),
            'a breakout moved' => $at('looms.'.$index('looms', 'L1').'.breakouts', [
                ['at' => 'stage-pit', 'into' => 'to-lectern', 'by' => '-2 m'],
            ]),
            'a wider panel' => $at('panels.0.pitch', '90 mm'),
            'a panel laid graded' => $at('panels.0.tails', 'graded'),
            'site runs paid out longer' => $at('installation.rules.payOut', '2 m'),
            'a loom that is gone' => $at('looms', []),
            'nothing done' => $at('record', []),
        ];
    }

    public function test_after_any_edit_the_cached_plan_is_the_plan_from_scratch(): void
    {
        $planner = new Planner(new MemoryPlanCache());
        $start = InstallationFile::parse((string) json_encode(self::demo()));
        $planner->plan($start->installation, $start->record);
        $plain = self::told((new Planner())->plan($start->installation, $start->record));
        $told = 0;
        foreach (self::edits() as $name => $edit) {
            $file = InstallationFile::parse((string) json_encode($edit(self::demo())));
            $scratch = self::told((new Planner())->plan($file->installation, $file->record));
            self::assertSame($scratch, self::told($planner->plan($file->installation, $file->record)), $name);
            $told += $scratch === $plain ? 0 : 1;
        }
        // A contact that may be shared, a gauge, a spare screw of the catalogue: some edits change no plan. Most do.
        self::assertGreaterThan(38, $told);
        self::assertSame($plain, self::told($planner->plan($start->installation, $start->record)), 'and back');
    }

    /** All that a plan says; which of its parts share an object is nobody's business. */
    private static function told(Plan $plan): string
    {
        $layout = $plan->layout;

        return json_encode(
            [
                $plan->runs->map(
                    static fn (RunPlan $run): array => [$run->cut, $run->labels, $run->ends(), $run->findings()],
                ),
                $plan->assemblies,
                $plan->assemblyOf,
                $plan->strands(),
                $plan->runs->map(static fn (RunPlan $run): Fingerprints => $plan->fingerprints($run->run)),
                $plan->rotations(),
                $plan->findings(),
                $plan->ways->all(),
                $layout->routes,
                $layout->looms,
                $layout->lays,
            ],
            JSON_THROW_ON_ERROR,
        );
    }

    public function test_what_an_edit_overtakes_is_what_relied_on_it(): void
    {
        $ringed = static function (array $data): array {
            $file = InstallationFile::parse((string) json_encode($data));
            $states = [];
            foreach ((new Planner())->plan($file->installation, $file->record)->strands() as $run => $strand) {
                foreach ($strand as $bead) {
                    if ($bead->state->value === 'overtaken') {
                        $states[] = $run.' '.$bead->stage->value;
                    }
                }
            }

            return $states;
        };
        $edits = self::edits();
        self::assertSame([], $ringed(self::demo()));
        self::assertSame([], $ringed($edits['a way renamed'](self::demo())));
        self::assertSame(['A-114 label'], $ringed($edits['another code'](self::demo())));
        self::assertSame(['A-114 cut'], $ringed($edits['a tail longer'](self::demo())));
        self::assertSame(['A-114 end-b', 'A-114 look', 'A-114 test'], $ringed($edits['an exception'](self::demo())));
        $moved = $ringed($edits['a way longer'](self::demo()));
        self::assertContains('M-201 cut', $moved);
        self::assertContains('A-116 cut', $moved);
        self::assertNotContains('V-401 cut', $moved, 'it lies elsewhere');
        self::assertSame([], array_filter($moved, static fn (string $each): bool => ! str_ends_with($each, ' cut')));
        $bonded = $ringed($edits['shell bond'](self::demo()));
        self::assertContains('A-114 test', $bonded);
        self::assertNotContains('A-114 end-a', $bonded, 'the joints are the same; what should light is not');
        self::assertNotContains('V-401 test', $bonded, 'a coaxial shell is its screen already');
    }

    public function test_an_edit_that_makes_no_sense_is_refused_before_planning(): void
    {
        $data = self::demo();
        $data['installation']['rules']['cutStep'] = '0 mm';
        $this->expectException(InvalidDocument::class);
        InstallationFile::parse((string) json_encode($data));
    }
}
