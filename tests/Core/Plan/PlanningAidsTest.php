<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Pinout\ContactPair;
use Sartal\Core\Ends\Pinout\LayOrder;
use Sartal\Core\Ends\Pinout\PlanComparison;
use Sartal\Core\Ends\Pinout\PlanLayout;
use Sartal\Core\Ends\Pinout\PlanProblems;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\Port;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Suitability;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\QuickLine;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Plan\Proposing\Understood;
use Sartal\Core\Plan\Proposing\Words;
use Tests\Support\Bench;

/** Laying out and comparing contact plans; what fits; a run from one line. */
final class PlanningAidsTest extends TestCase
{
    private static function demo(): Installation
    {
        $in = InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        )->installation;

        return $in->withCatalogue(FormerConversion::completed($in->catalogue, ShippedCatalogue::load()));
    }

    /** @return array<array-key, array<string, string>> */
    private static function lay(string $connector, int $channels, LayOrder $order, string $first = ''): array
    {
        $catalogue = ShippedCatalogue::load();

        return PlanLayout::lay(
            FittingLayout::ofType($catalogue->connectors()[$connector], $catalogue),
            ['hot', 'cold', 'screen'],
            $channels,
            $order,
            $first,
        );
    }

    public function test_24_channels_laid_by_column_are_the_shipped_plan(): void
    {
        self::assertSame(
            ShippedCatalogue::load()->plans()['rect90-male-24ch']->channels,
            self::lay('rect90-male', 24, LayOrder::Columns),
        );
    }

    /** The female face is the mirror: laid from the left as it is seen, it begins at the other column. */
    public function test_a_face_is_laid_as_it_is_looked_at(): void
    {
        self::assertSame('E1', self::lay('rect90-female', 1, LayOrder::Columns)['1']['hot']);
        self::assertSame(
            ['hot' => 'A1', 'cold' => 'B1', 'screen' => 'C1'],
            self::lay('rect90-male', 1, LayOrder::Rows)['1'],
        );
    }

    public function test_a_channel_never_straddles_two_lines(): void
    {
        // Five contacts in a row hold one whole channel of three; two stay free.
        $rows = self::lay('rect90-male', 99, LayOrder::Rows);
        self::assertCount(18, $rows);
        foreach ($rows as $contacts) {
            self::assertCount(
                1,
                array_unique(array_map(static fn (string $address): string => substr($address, 1), $contacts)),
            );
        }
        self::assertCount(30, self::lay('rect90-male', 99, LayOrder::Columns), '90 contacts hold 30 whole channels');
    }

    public function test_laying_may_begin_anywhere(): void
    {
        self::assertSame('B4', self::lay('rect90-male', 2, LayOrder::Columns, 'B4')['1']['hot']);
        self::assertSame([], self::lay('rect90-male', 2, LayOrder::Columns, 'Z9'));
    }

    /** Whatever is laid, function and contact are one-to-one. */
    public function test_what_is_laid_is_one_to_one(): void
    {
        foreach (ShippedCatalogue::load()->connectors() as $id => $type) {
            foreach (LayOrder::cases() as $order) {
                $plan = new ContactPlan('x', 'x', $id, self::lay($id, 200, $order));
                self::assertSame([], $plan->collisions(), $id);
            }
        }
    }

    public function test_halves_with_one_plan_agree_and_a_planted_mismatch_is_found(): void
    {
        $catalogue = ShippedCatalogue::load();
        $mode = $catalogue->connectors()['rect90-male']->matesWith($catalogue->connectors()['rect90-female']);
        self::assertNotNull($mode);
        $male = $catalogue->plans()['rect90-male-24ch'];
        $pairs = PlanComparison::between($male, $catalogue->plans()['rect90-female-24ch'], $mode);
        self::assertCount(72, $pairs);
        self::assertSame([], array_filter($pairs, static fn (ContactPair $pair): bool => ! $pair->agrees()));
        $channels = $male->channels;
        [$channels['7']['hot'], $channels['7']['cold']] = [$channels['7']['cold'], $channels['7']['hot']];
        $channels['24']['screen'] = 'E1';
        $wrong = array_filter(
            PlanComparison::between(
                new ContactPlan('x', 'x', 'rect90-male', $channels),
                $catalogue->plans()['rect90-female-24ch'],
                $mode,
            ),
            static fn (ContactPair $pair): bool => ! $pair->agrees(),
        );
        self::assertEqualsCanonicalizing(
            ['B1', 'B2', 'E1', 'D18'],
            array_map(static fn (ContactPair $pair): string => $pair->address, array_values($wrong)),
        );
    }

    /** A two-contact plug in a three-contact jack: ring meets sleeve. */
    public function test_a_mating_mode_may_cross_contacts(): void
    {
        $catalogue = ShippedCatalogue::load();
        $mode = $catalogue->connectors()['trs-jack']->matesWith($catalogue->connectors()['ts-plug']);
        self::assertSame('sleeve', $mode?->opposite('ring'));
        self::assertSame('tip', $mode->opposite('tip'));
    }

    public function test_what_is_wrong_with_a_plan_is_named(): void
    {
        $catalogue = ShippedCatalogue::load();
        $codes = static fn (ContactPlan $plan): array => Bench::codes(PlanProblems::find($plan, $catalogue));
        self::assertSame(['plan.unknown-connector'], $codes(new ContactPlan('x', 'x', 'nothing', [])));
        self::assertSame(
            ['plan.no-such-contact'],
            $codes(
                new ContactPlan('x', 'x', 'xlr3-male-cable', ['1' => ['hot' => '2', 'cold' => '3', 'screen' => '9']]),
            ),
        );
        self::assertSame(
            ['plan.contact-twice'],
            $codes(
                new ContactPlan('x', 'x', 'xlr3-male-cable', ['1' => ['hot' => '2', 'cold' => '2', 'screen' => '1']]),
            ),
        );
        self::assertSame(
            [],
            $codes(
                new ContactPlan(
                    'x',
                    'x',
                    'xlr3-male-cable',
                    ['1' => ['hot' => '2', 'cold' => '2', 'screen' => '1']],
                    shared: ['2'],
                ),
            ),
        );
        self::assertSame(
            ['plan.serves-nothing'],
            $codes(new ContactPlan('x', 'x', 'xlr3-male-cable', ['1' => ['hot' => '2']])),
        );
        self::assertContains(
            'plan.insert',
            $codes(new ContactPlan('x', 'x', 'modular-frame-4', [], inserts: ['1' => 'xlr3-male-cable'])),
        );
        foreach ($catalogue->plans() as $plan) {
            self::assertSame([], $codes($plan), $plan->id);
        }
    }

    public function test_what_fits_comes_first_and_the_rest_says_why_not(): void
    {
        $found = (new Suitability(self::demo()))->of('cat6-utp', 'network');
        $fits = array_filter($found, static fn (array $findings): bool => $findings === []);
        self::assertSame(array_keys($fits), array_slice(array_keys($found), 0, count($fits)), 'first');
        self::assertArrayHasKey('8p8c-plug-t568b', $fits);
        self::assertArrayNotHasKey('xlr3-male-cable-balanced', $found, 'what cannot carry the signal is not offered');
        self::assertStringContainsString('stranded', $found['8p8c-plug-stranded-t568b'][0]->words);
        foreach (array_diff_key($found, $fits) as $findings) {
            self::assertNotSame('', $findings[0]->remedy);
        }
        $weights = array_map(
            static fn (array $findings): int => count(
                array_filter($findings, static fn ($finding): bool => $finding->severity === Severity::Stop),
            ),
            array_values($found),
        );
        $sorted = $weights;
        sort($sorted);
        self::assertSame($sorted[0], $weights[0]);
        self::assertSame([], (new Suitability(self::demo()))->of('cat6-utp', 'no such signal'));
    }

    /** Of a composite its pair comes to the connector, 3.6 mm, and not all of its 12.6 mm; of a block, an insert. */
    public function test_what_lands_is_judged_and_not_what_it_is_part_of(): void
    {
        $suitability = new Suitability(Bench::of()->installation);
        $signal = $suitability->of('composite', 'analogue');
        self::assertSame([], $signal['xlr3-female-cable-balanced']);
        self::assertSame([], $suitability->of('composite', 'mains')['power-in-cable-mains']);
        self::assertSame([], $suitability->of('coax-75-mini', 'video')['modular-frame-4-mixed']);
        self::assertSame([], $suitability->of('cat6-utp', 'network')['modular-frame-4-mixed']);
        // What does not go says of what lands what would have to change: the pair has 3.6 mm.
        $thick = $suitability->of('coax-75-large', 'video')['bnc75-plug-video'];
        self::assertNotSame([], $thick);
        self::assertNotSame('', $thick[0]->remedy);
        $quick = Bench::of(Bench::request('P-1', 'composite', ['analogue'], ['xlr3-female-cable-balanced'], []));
        self::assertSame(['signal'], $quick->installation->theRun('P-1')->a->legs[0]->elements);
        $whole = Bench::of(Bench::request('M-1', 'multicore-8', ['analogue'], ['rect90-male-24ch'], []));
        self::assertSame([''], $whole->installation->theRun('M-1')->a->legs[0]->elements);
    }

    public function test_a_retired_plan_is_not_offered(): void
    {
        $in = self::demo();
        $plan = $in->catalogue->plans()['8p8c-plug-t568b'];
        $retired = new ContactPlan($plan->id, $plan->name, $plan->connector, $plan->channels, retired: true);
        $with = $in->withCatalogue((new Catalogue(plans: [$plan->id => $retired]))->plus($in->catalogue));
        self::assertArrayNotHasKey($plan->id, (new Suitability($with))->of('cat6-utp', 'network'));
    }

    public function test_the_line_of_the_brief_becomes_a_multicore_with_everything_on_it(): void
    {
        $in = self::demo();
        $guess = QuickLine::read('24 mic stage box 1 > amp rack patch via under-stage tray', $in);
        $proposal = (new Proposer($in->catalogue))->propose($guess->requests[0]);
        self::assertSame('multicore-24', $proposal->run->cable);
        self::assertSame(['stage-box-1', 'amp-rack-1'], [$proposal->run->a->location, $proposal->run->b->location]);
        self::assertCount(24, $proposal->circuits);
        self::assertCount(25, $proposal->fittings);
        self::assertSame('M-205', $proposal->run->code, 'one higher than the highest');
        self::assertSame([], $guess->requests[0]->ways, 'it is the shortest anyway: nothing is pinned');
        $ways = array_values(
            array_filter($guess->understood, static fn (Understood $each): bool => $each->what === 'ways'),
        );
        self::assertSame(
            'To stage box 1, Under-stage tray, Riser A, Rack void, To amplifier rack 1',
            $ways[0]->took ?? '',
        );
    }

    public function test_a_longer_way_that_was_said_is_pinned_from_end_to_end(): void
    {
        $request = QuickLine::read(
            'mic lectern > amp rack via floor duct north + gallery trunking',
            self::demo(),
        )->requests[0];
        self::assertSame(
            [],
            $request->ways === []
                ? ['nothing pinned']
                : array_diff(['floor-duct-n', 'gallery-trunking'], $request->ways),
        );
        $in = self::demo();
        $at = 'lectern';
        foreach ($request->ways as $id) {
            $next = $in->ways()[$id]->across($at);
            self::assertNotNull($next, $id.' does not begin at '.$at);
            $at = $next;
        }
        self::assertSame('amp-rack-1', $at);
    }

    /** @return iterable<string, array{string, string, string, string}> line, cable, from, to */
    public static function lines(): iterable
    {
        yield 'one microphone' => ['mic lectern > amp rack', 'pair-foil', 'lectern', 'amp-rack-1'];
        yield 'network' => ['network floor box 3 > comms', 'cat6a-futp', 'floor-box-3', 'comms-rack'];
        yield 'an arrow' => ['dmx control desk → dimmer room', 'data-2pair', 'control-desk', 'dimmer-room'];
        yield 'the word to' => ['video media rack to projector 2', 'coax-75-mini', 'media-rack', 'projector-2'];
        yield 'two ways' => [
            '2 speaker amp rack > hall right via rack void + hall ceiling tray',
            'loudspeaker-4',
            'amp-rack-1',
            'hall-right',
        ];
    }

    #[DataProvider('lines')]
    public function test_other_lines(string $line, string $cable, string $from, string $to): void
    {
        $request = QuickLine::read($line, self::demo())->requests[0];
        self::assertSame([$cable, $from, $to], [$request->cable, $request->a->location, $request->b->location]);
    }

    /** @return iterable<string, array{string, string, string}> line, field, part of the remedy */
    public static function unclear(): iterable
    {
        yield 'no arrow' => ['24 mic stage box', 'line', 'from where > to where'];
        yield 'no signal' => ['24 stage box 1 > amp rack', 'signal', 'Say which signal'];
        yield 'several places' => ['mic floor box > amp rack', 'from', 'Floor box 1 or Floor box 2'];
        yield 'no such place' => ['mic lectern > moon', 'to', 'No place has such a name'];
        yield 'no such way' => ['mic lectern > amp rack via cellar', 'ways', 'No way has such a name'];
        yield 'too many' => ['99 mic lectern > amp rack', 'cable', 'carries 48'];
        yield 'three places' => ['mic lectern > stage box 1 > amp rack', 'line', 'a line for each stretch'];
        yield 'three places, by words and arrow' => ['mic lectern to stage box 1 > amp rack', 'line', 'each stretch'];
        yield 'mains' => ['mains amp rack > hall left', 'signal', 'not guessed'];
    }

    #[DataProvider('unclear')]
    public function test_what_is_not_understood_is_said_with_its_remedy(
        string $line,
        string $field,
        string $remedy,
    ): void {
        try {
            QuickLine::read($line, self::demo());
            self::fail('understood');
        } catch (CannotPropose $cannot) {
            self::assertSame($field, $cannot->field);
            self::assertStringContainsString($remedy, $cannot->getMessage());
        }
    }

    public function test_words_find_the_thing_that_is_meant(): void
    {
        $names = ['a' => 'Amplifier rack 1', 'b' => 'Amplifier rack 2', 'c' => 'Rack void', 'd' => 'Media rack'];
        self::assertSame(['a'], Words::best('amp rack 1', $names));
        self::assertSame(['a', 'b'], Words::best('amp rack', $names));
        self::assertSame(['d'], Words::best('media', $names));
        self::assertSame([], Words::best('cellar', $names));
        self::assertSame([], Words::best('', $names));
    }

    /** A hall and a booth, each with a line from it that ends its own way. */
    private static function habits(): Installation
    {
        $line = static fn (string $id, string $from, string $plan, float $preparation): RunRequest => new RunRequest(
            $id,
            $id,
            'pair-foil',
            ['analogue'],
            Build::Shop,
            new Termination(
                $from,
                [$plan],
                Length::metres(2),
                Length::zero(),
                Length::millimetres($preparation),
                2,
                Length::zero(),
            ),
            new Termination(
                'rack',
                ['xlr3-male-cable-balanced'],
                Length::metres(1),
                Length::zero(),
                Length::millimetres(30),
                1,
                Length::zero(),
            ),
            [],
        );
        $in = Bench::of()->installation->changed([
            'locations' => array_map(static fn (string $id): Location => new Location($id, ucfirst($id)), [
                'hall' => 'hall',
                'booth' => 'booth',
                'rack' => 'rack',
            ]),
            'ways' => [
                'h' => new Way('h', 'Hall tray', WayKind::Tray, Length::metres(9), 'hall', 'rack'),
                'b' => new Way('b', 'Booth tray', WayKind::Tray, Length::metres(4), 'booth', 'rack'),
            ],
        ]);
        $proposer = new Proposer($in->catalogue);
        foreach (
            [
                $line('A-1', 'hall', 'xlr3-female-panel-balanced', 25),
                $line('A-2', 'booth', 'trs-balanced', 55),
            ] as $request
        ) {
            $proposal = $proposer->propose($request);
            $in = $in->withRun($proposal->run, $proposal->fittings, $proposal->circuits);
        }

        return $in;
    }

    public function test_an_end_is_guessed_by_what_is_usual_at_its_place(): void
    {
        $request = static fn (string $line): RunRequest => QuickLine::read($line, self::habits())->requests[0];
        $hall = $request('mic hall > rack');
        self::assertSame(['xlr3-female-panel-balanced'], $hall->a->plans);
        self::assertSame(
            ['25 mm', '2000 mm', 2],
            [$hall->a->preparation->canonical(), $hall->a->tail->canonical(), $hall->a->spares],
        );
        $booth = $request('mic booth > rack');
        self::assertSame(['trs-balanced'], $booth->a->plans);
        self::assertSame('55 mm', $booth->a->preparation->canonical());
        self::assertSame(['xlr3-male-cable-balanced'], $booth->b->plans);
    }

    public function test_every_guess_says_what_it_is_from_and_what_comes_next(): void
    {
        $guess = QuickLine::read('mic hall > rack', self::habits());
        $of = array_column($guess->understood, null, 'what');
        self::assertSame('carries it on 2 runs here', $of['cable']->because);
        self::assertSame('as A-1 ends at A', $of['connector A']->because);
        self::assertNotSame('', $of['connector A']->instead);
        self::assertNotSame($of['connector A']->took, $of['connector A']->instead);
        foreach ($guess->understood as $each) {
            self::assertSame($each->said, $each->because === '', $each->what);
        }
    }

    public function test_where_nothing_is_usual_yet_an_end_is_as_anywhere(): void
    {
        $in = self::habits()->changed(['runs' => [], 'fittings' => [], 'circuits' => []]);
        $end = QuickLine::read('mic hall > rack', $in)->requests[0]->a;
        self::assertSame(
            ['1000 mm', '300 mm', '40 mm', 1, '0 mm'],
            [
                $end->tail->canonical(),
                $end->slack->canonical(),
                $end->preparation->canonical(),
                $end->spares,
                $end->leg->canonical(),
            ],
        );
        self::assertCount(1, $end->plans);
    }

    public function test_what_does_not_mate_is_told_by_its_name_with_three_that_would(): void
    {
        $bench = Bench::of(Bench::request('C-1', 'cat6-utp', ['network'], ['8p8c-plug-t568b'], ['8p8c-plug-t568b']));
        $mates = array_map(static fn (string $with): array => ['with' => $with], [
            'xlr3-male-cable',
            'xlr5-male-cable',
            'xlr5-female-cable',
            'trs-plug',
            'ts-plug',
        ]);
        $names = array_map(
            static fn (array $mode): string => $bench->installation->catalogue->theConnector($mode['with'])->name,
            array_slice($mates, 0, 3),
        );
        $wrong = $bench->withCatalogueEdited(['connectors.xlr3-female-panel.mates' => $mates])->with(
            equipment: [
                'desk' => new Equipment('desk', 'Desk', 'there', [new Port('in', 'In', 'xlr3-female-panel')]),
            ],
            matings: [new Mating('C-1.b1', 'desk:in')],
        );
        $found =
            array_values(
                array_filter(
                    $wrong->plan()->findings(),
                    static fn ($finding): bool => $finding->code === 'mating.does-not-fit',
                ),
            )[0] ?? self::fail('It mates.');
        $plug = $bench->installation->catalogue->theConnector('8p8c-plug')->name;
        self::assertStringContainsString('('.$plug.') does not mate with', $found->words);
        self::assertSame('Choose '.implode(', or ', $names).'.', $found->remedy);
    }
}
