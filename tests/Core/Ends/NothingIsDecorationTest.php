<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use App\Documents\Drawing\SvgCanvas;
use App\Documents\Drawing\View;
use App\Documents\SheetDrawing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Labelling\LabelPrints;
use Sartal\Core\Ends\Reach\Reaches;
use Sartal\Core\Ends\Workpiece\AsCut;
use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Covering;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Environment;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\CoilTie;
use Sartal\Core\Given\Schools\HotColour;
use Sartal\Core\Given\Schools\ShellBond;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Ways\Looming\Packing\MemoryPackings;
use Sartal\Core\Work\Bench\EndSheets;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Traveller;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\Cuts;
use Sartal\Core\Work\Parts\LoomParts;
use Sartal\Core\Work\Parts\PartsPlanner;
use Sartal\Core\Work\Pulling\PullPlanner;
use Tests\Support\Bench;

/**
 * Every attribute of the catalogue does something: changed by itself, it
 * changes a joint, a reading, a finding or a sheet.
 */
final class NothingIsDecorationTest extends TestCase
{
    /** Names, and groupings of lists that people look through. */
    private const NAMES = [
        'id',
        'name',
        'short',
        'family',
        'prefix',
        'label',
        'key',
        'source',
        'words',
        'retired',
        'gender',
        'mount',
    ];

    /** @return array<string, callable(): Bench> */
    private static function benches(): array
    {
        return [
            'microphone' => static fn (): Bench => Bench::microphone(),
            'coax' => static fn (): Bench => Bench::coax(),
            'stage box' => static fn (): Bench => Bench::stageBox(),
            'kept tie' => static fn (): Bench => Bench::microphone()->with(
                rules: HouseRules::defaults()->with(CoilTie::One),
            ),
            'category' => static fn (): Bench => Bench::category('8p8c-jack-t568b'),
            'data' => static fn (): Bench => Bench::of(
                Bench::request('D-1', 'data-2pair', ['dmx'], ['xlr5-male-dmx'], ['xlr5-female-dmx']),
            ),
            'phone' => static fn (): Bench => Bench::of(
                Bench::request(
                    'A-1',
                    'instrument',
                    ['unbalanced'],
                    ['ts-plug-low-unbalanced'],
                    ['ts-plug-mute-unbalanced'],
                ),
            )->withFitting('A-1.a1', clocking: 45),
            'mains' => static fn (): Bench => Bench::of(
                Bench::request(
                    'P-1',
                    'composite',
                    ['mains', 'analogue'],
                    ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
                    ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
                ),
            ),
            'block' => static fn (): Bench => Bench::of(
                Bench::request('C-1', 'cat6-utp', ['network'], ['modular-frame-4-mixed'], []),
            ),
            'quad' => static fn (): Bench => Bench::of(
                Bench::request('A-1', 'star-quad', ['analogue'], ['xlr3-male-panel-balanced'], ['trs-balanced']),
            ),
        ];
    }

    /** @return iterable<string, array{string, string, mixed}> bench, attribute, another value */
    public static function attributes(): iterable
    {
        yield from [
            'cable: diameter' => ['microphone', 'cables.pair-foil.outerDiameter', '9 mm'],
            'cable: sheath' => ['microphone', 'cables.pair-foil.sheath', 'green'],
            'cable: jacket' => ['coax', 'cables.coax-75-12g.jacket', 'thin'],
            'cable: fire class' => ['microphone', 'cables.pair-foil.fire', 'unrated'],
            'cable: bend radius' => ['microphone', 'cables.pair-foil.bendRadius', '90 mm'],
            'cable: mass' => ['microphone', 'cables.pair-foil.mass', 19],
            'cable: pull' => ['microphone', 'cables.pair-foil.pull', 300],
            'cable: outdoors' => ['microphone', 'cables.pair-foil.outdoor', true],
            'cable: category' => ['category', 'cables.cat6-utp.category', '6A'],
            'cable: reels' => ['microphone', 'cables.pair-foil.reels', ['77 m']],
            'element: capacitance' => ['microphone', 'cables.pair-foil.construction.children.0.capacitance', 300],
            'element: loss tangent' => [
                'coax',
                'cables.coax-75-12g.construction.children.0.children.0.lossTangent',
                0.002,
            ],
            'signal: reach' => ['microphone', 'signals.analogue.reach.ohms', 600],
            'takes: kit' => ['microphone', 'connectors.xlr3-female-cable.cable.kit', []],
            'part: pack' => ['stage box', 'parts.contact-rect-male-fine.pack', 7],
            'part: reopens' => ['kept tie', 'parts.tie-hook.reopens', false],
            'part: tails' => ['mains', 'parts.boot-two-tails.tails', 3],
            'part: lined' => ['coax', 'parts.shrink-3to1-18.lined', false],
            'part: length' => ['coax', 'parts.sleeve-12.length', '7 m'],
            'element: kind' => ['category', 'cables.cat6-utp.construction.children.0.kind', 'group'],
            'element: colour' => ['microphone', 'cables.pair-foil.construction.children.0.children.0.colour', 'violet'],
            'element: pole' => ['quad', 'cables.star-quad.construction.children.0.children.0.pole', 'b'],
            'element: gauge' => ['microphone', 'cables.pair-foil.construction.children.0.children.0.gauge', '14 AWG'],
            'element: strands' => ['category', 'cables.cat6-utp.construction.children.0.children.0.strands', 7],
            'element: metal' => ['microphone', 'cables.pair-foil.construction.children.0.children.0.metal', 'clad'],
            'element: permittivity' => [
                'coax',
                'cables.coax-75-12g.construction.children.0.children.0.permittivity',
                4.0,
            ],
            'element: diameter' => ['coax', 'cables.coax-75-12g.construction.children.0.children.0.diameter', '3 mm'],
            'element: impedance' => ['category', 'cables.cat6-utp.construction.children.0.impedance', 150],
            'element: layers' => ['microphone', 'cables.pair-foil.construction.layers', ['filler']],
            'element: how it is prepared' => ['microphone', 'cables.pair-foil.construction.prepares', 'coax'],
            'element: hazard' => ['mains', 'cables.composite.construction.children.0.domain', 'signal'],
            'connector: hazard' => ['mains', 'connectors.power-out-cable.domain', 'signal'],
            'connector: outline' => ['microphone', 'connectors.xlr3-female-cable.outline.width', '40 mm'],
            'connector: shell conducts' => ['microphone', 'connectors.xlr3-female-cable.conductiveShell', false],
            'connector: wires on a shell' => ['coax', 'connectors.bnc75-plug.shellWires', 0],
            'connector: impedance' => ['coax', 'connectors.bnc75-plug.impedance', 50],
            'connector: switches' => ['phone', 'connectors.ts-plug-mute.switches', []],
            'connector: mates' => ['microphone', 'connectors.xlr3-female-cable.mates', []],
            'connector: cautions' => ['microphone', 'connectors.xlr3-female-cable.cautions', ['Mind the gap.']],
            'connector: bays' => ['block', 'connectors.modular-frame-4.bays.2.accepts', 'nothing'],
            'contact: place of the terminal' => ['stage box', 'connectors.rect90-male.cavities.0.wiring', [0, 0]],
            'contact: place on the face' => ['microphone', 'connectors.xlr3-female-cable.cavities.0.face', [0, 1]],
            'contact: what the terminal is called' => [
                'phone',
                'connectors.ts-plug-low.cavities.0.terminal',
                'other lug',
            ],
            'contact: wires' => ['quad', 'connectors.xlr3-male-panel.cavities.1.wires', 1],
            'contact: kind of terminal' => ['quad', 'connectors.trs-plug.cavities.0.kind', 'body'],
            'takes: entry' => ['microphone', 'connectors.xlr3-female-cable.cable.entry', ['5 mm', '8 mm']],
            'takes: chucks' => ['microphone', 'connectors.xlr3-female-cable.cable.chucks', ['chuck-wide']],
            'takes: ferrules' => ['coax', 'connectors.bnc75-plug.cable.ferrules', ['ferrule-coax-mini']],
            'takes: screen' => ['microphone', 'connectors.xlr3-female-cable.cable.screen', 'nowhere'],
            'takes: shell tie' => ['microphone', 'connectors.xlr3-female-cable.cable.shell', 'none'],
            'takes: boot' => ['block', 'connectors.8p8c-plug-bare.cable.boot', 'moulded'],
            'takes: exits' => [
                'stage box',
                'connectors.rect90-male.cable.exits',
                [['name' => 'rear', 'at' => [0, 0], 'depth' => '99 mm']],
            ],
            'takes: slides' => ['microphone', 'connectors.xlr3-female-cable.cable.slides', []],
            'takes: procedures' => [
                'microphone',
                'connectors.xlr3-female-cable.cable.procedures',
                ['screened-pair' => 'cups-d-sub'],
            ],
            'takes: print' => [
                'category',
                'connectors.8p8c-jack.cable.print',
                ['1', '2', '3', '4', '5', '6', '7', '8'],
            ],
            'takes: hardware' => ['quad', 'connectors.xlr3-male-panel.cable.hardware', []],
            'takes: clocking' => ['phone', 'connectors.ts-plug-low.cable.clocking', []],
            'takes: stagger' => ['stage box', 'connectors.rect90-male.cable.staggered', false],
            'terminal: joining' => ['microphone', 'connectors.xlr3-female-cable.cable.terminals.0.joining', 'screw'],
            'terminal: gauge' => [
                'microphone',
                'connectors.xlr3-female-cable.cable.terminals.0.gauge',
                ['18 AWG', '14 AWG'],
            ],
            'terminal: strands' => ['microphone', 'connectors.xlr3-female-cable.cable.terminals.0.strands', 'solid'],
            'terminal: parts' => ['stage box', 'connectors.rect90-male.cable.terminals.0.parts', []],
            'terminal: tool' => ['microphone', 'connectors.xlr3-female-cable.cable.terminals.0.tool', 'another tool'],
            'part: range' => ['coax', 'parts.ferrule-coax-large.grips', ['1 mm', '2 mm']],
            'part: jackets' => ['coax', 'parts.ferrule-coax-large.jackets', ['thin']],
            'part: gauge' => ['stage box', 'parts.contact-rect-male-fine.gauge', ['30 AWG', '28 AWG']],
            'part: tool' => ['stage box', 'parts.contact-rect-male-fine.tool', 'another tool'],
            'part: split' => ['microphone', 'parts.nut-3pole.split', true],
            'part: outer' => ['microphone', 'parts.nut-3pole.outer', '7 mm'],
            'part: face' => ['microphone', 'parts.label-wrap-s.face.width', '27 mm'],
            'part: tab' => ['data', 'parts.chuck-wide.cutTab', '6 mm'],
            'reach: length' => ['mains', 'procedures.mains-screws.reaches.0.length', '44 mm'],
            'reach: what goes there' => ['mains', 'procedures.mains-screws.reaches.0.joins', 'screen'],
            'reach: which cables' => ['quad', 'procedures.phone-3-contact.reaches.1.of', ['instrument']],
            'reach: which function' => ['quad', 'procedures.phone-3-contact.reaches.1.function', 'cold'],
            'reach: its maker’s' => ['mains', 'procedures.mains-screws.reaches.0.asked', true],
            'signal: impedance' => ['category', 'signals.network.impedance', 50],
            'signal: joins' => ['data', 'signals.dmx.joins', 'split'],
            'signal: colours' => ['quad', 'signals.analogue.colourRule', false],
            'signal: telescopes' => ['microphone', 'signals.analogue.telescopes', false],
            'signal: functions' => ['microphone', 'signals.analogue.functions.0.pole', 'b'],
            'signal: protective' => ['mains', 'signals.mains.functions.2.protective', false],
            'signal: pairs' => ['category', 'signals.network.differential', []],
            'plan: channels' => [
                'microphone',
                'plans.xlr3-female-cable-balanced.channels',
                ['1' => ['hot' => '3', 'cold' => '2', 'screen' => '1']],
            ],
            'plan: blocks' => ['stage box', 'plans.rect90-male-24ch.block', 8],
        ];
    }

    #[DataProvider('attributes')]
    public function test_an_attribute_that_changes_changes_something(string $bench, string $path, mixed $value): void
    {
        $before = self::benches()[$bench]();
        self::assertNotSame(self::all($before), self::all($before->withCatalogueEdited([$path => $value])));
    }

    public function test_the_list_of_attributes_is_whole(): void
    {
        $schema = json_decode(
            (string) file_get_contents(dirname(__DIR__, 3).'/docs/schema/installation.schema.json'),
            true,
        )['$defs'];
        $tried = array_map(static fn (array $row): string => $row[1], iterator_to_array(self::attributes(), false));
        $missing = [];
        foreach (['cable', 'element', 'cableSide', 'terminal'] as $kind) {
            foreach (
                array_diff(array_keys($schema[$kind]['properties']), self::NAMES, [
                    // Read with its catalogue, of files from before.
                    'recipes',
                    'construction',
                    'children',
                    'count',
                    'terminals',
                    'steps',
                ]) as $attribute
            ) {
                if (
                    array_filter($tried, static fn (string $path): bool => str_contains($path, '.'.$attribute)) === []
                ) {
                    $missing[] = $kind.'.'.$attribute;
                }
            }
        }
        self::assertSame([], $missing);
    }

    /** Everything that follows from a bench, under the usual rules and under others. */
    private static function all(Bench $bench): string
    {
        $all = [];
        foreach ([[], [ShellBond::Bonded, HotColour::White], [ShellBond::OneEnd]] as $choices) {
            $under = $bench
                ->with(rules: $bench->installation->rules()->with(...$choices))
                ->withFireClass('there', 'general');
            $plan = $under->plan();
            $all[] = PlanEncoder::plan($plan, $under->installation);
            $all[] = self::built($under);
            $all[] = array_map(
                static fn (Run $run): CableEnd => AsCut::of($under->installation->catalogue->theCable($run->cable)),
                $under->installation->runs(),
            );
            $operations = array_merge(
                ...array_map(
                    static fn ($assembly): array => (new OperationPlanner($under->installation))->of(
                        $assembly,
                        $plan->runs,
                    ),
                    array_values($plan->assemblies),
                ),
            );
            $all[] = [
                Traveller::order($operations, $under->installation->rules())->operations,
                (new LabelPrints($under->installation))->of(
                    $plan->runs->map(static fn (RunPlan $run): array => $run->labels),
                    $plan->rotations(),
                ),
            ];
            $all[] = array_map(
                static fn ($edge): array => [$edge->ohms, $edge->twist],
                $under->expectation()->wiring->edges,
            );
            foreach ($plan->runs as $id => $runPlan) {
                foreach (Side::cases() as $side) {
                    foreach ([true, false] as $wiring) {
                        $all[] = self::drawn($under, (string) $id, $side, $runPlan, new View($wiring));
                    }
                }
            }
        }

        return (string) json_encode($all, JSON_INVALID_UTF8_SUBSTITUTE);
    }

    /** What follows where the bench's runs lie twice side by side, sleeved, in a narrow damp conduit. */
    private static function built(Bench $bench): mixed
    {
        $way = new Way(
            'tray',
            'Conduit',
            WayKind::Conduit,
            Length::metres(10),
            'here',
            'there',
            Bore::round(Length::millimetres(60)),
            1,
            Length::millimetres(40),
            [Environment::Damp],
        );
        $loom = new Loom('L', 'L', '', Covering::Sleeve, Length::millimetres(300));
        $runs = [];
        foreach ($bench->installation->runs() as $run) {
            $runs[$run->id] = new Run(
                $run->id,
                $run->code,
                $run->cable,
                $run->build,
                $run->a,
                $run->b,
                [],
                $run->carries,
                'L',
            );
            $runs[$run->id.'+'] = new Run(
                $run->id.'+',
                $run->code.'+',
                $run->cable,
                $run->build,
                new End('here', $run->a->tail, $run->a->slack, $run->a->preparation, 0, []),
                new End('there', $run->b->tail, $run->b->slack, $run->b->preparation, 0, []),
                [],
                [],
                'L',
            );
        }
        $built = $bench->with(ways: ['tray' => $way], looms: ['L' => $loom], runs: $runs)->installation;
        $planner = new Planner();
        $plan = $planner->plan($built);
        $dress = (new Dresser($built, new MemoryPackings()))->dress($plan->layout->looms['L']);
        $cuts = Cuts::plan(CutFacts::of($built, $plan), new Record());
        $reaches = new Reaches($built);
        $lines = $reaches->lines($plan->runs->map(static fn (RunPlan $run): Length => $run->cut->result));

        return [
            $plan->ways->all(),
            $plan->judged(),
            $dress->segments,
            $dress->findings,
            array_map($reaches->judge(...), $lines),
            PartsPlanner::planned($built, $plan)->list(array_keys($runs), LoomParts::list($dress), $cuts)->lines,
            (new PullPlanner($built, $plan))->pulls(),
        ];
    }

    /** What a technician would see of an end. */
    private static function drawn(Bench $bench, string $run, Side $side, RunPlan $plan, View $view): string
    {
        $sheets = new EndSheets($bench->installation);
        $sheet = $sheets->of($bench->installation->runs()[$run], $side, $plan);
        if ($sheet === null) {
            return '';
        }
        $canvas = new SvgCanvas(SheetDrawing::WIDTH, SheetDrawing::HEIGHT);
        SheetDrawing::draw($canvas, $sheet, null, $view, 'test');

        return implode('', array_map($canvas->page(...), range(1, $canvas->pages())));
    }
}
