<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Labelling\Marked;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\ColourScheme;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\HotColour;
use Sartal\Core\Given\Schools\JoinOrder;
use Sartal\Core\Given\Schools\JointShrink;
use Sartal\Core\Given\Schools\LabelTurn;
use Sartal\Core\Given\Schools\LengthPractice;
use Sartal\Core\Given\Schools\School;
use Sartal\Core\Given\Schools\ScreenAndDrain;
use Sartal\Core\Given\Schools\ShellBond;
use Sartal\Core\Plan\Planning\Consequences;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Work\Bench\EndSheets;
use Tests\Support\Bench;

/** Where practitioners disagree, each choice does what it says. Schools: common practice. */
final class SchoolsTest extends TestCase
{
    private static function under(Bench $bench, School $choice): Bench
    {
        return $bench->with(rules: $bench->installation->rules()->with($choice));
    }

    /** @return array<string, string> conductor → contact */
    private static function contacts(Bench $bench, string $run, Side $side): array
    {
        $contacts = [];
        foreach ($bench->plan()->runs[$run]->end($side)->joints as $joint) {
            $contacts[$joint->conductor] = $joint->address();
        }

        return $contacts;
    }

    public function test_every_school_has_a_question_answers_and_a_reason(): void
    {
        $keys = [];
        foreach (HouseRules::SCHOOLS as $school) {
            self::assertStringEndsWith('?', $school::question());
            self::assertGreaterThan(20, strlen($school::reason()));
            self::assertGreaterThanOrEqual(2, count($school::cases()));
            self::assertContains($school::usual(), $school::cases());
            foreach ($school::cases() as $case) {
                self::assertInstanceOf(School::class, $case);
                self::assertNotSame('', $case->words());
            }
            $keys[] = $school::key();
        }
        self::assertSame($keys, array_unique($keys));
        self::assertCount(16, $keys);
    }

    public function test_choosing_the_usual_is_the_same_as_not_choosing(): void
    {
        self::assertEquals(
            HouseRules::defaults(),
            HouseRules::defaults()->with(ShellBond::Bonded)->with(ShellBond::Free),
        );
        self::assertSame(ShellBond::Bonded, HouseRules::defaults()->with(ShellBond::Bonded)->on(ShellBond::class));
    }

    /** T568A and T568B exchange pairs 2 and 3: ANSI/TIA-568. */
    public function test_the_colour_scheme_moves_pairs_two_and_three_where_the_plan_follows_the_house(): void
    {
        $house = Bench::of(Bench::request('C-1', 'cat6-utp', ['network'], ['8p8c-plug-house'], ['8p8c-plug-house']));
        self::assertSame(
            ['1', '2'],
            array_values(array_intersect_key(self::contacts($house, 'C-1', Side::A), ['p2/a' => 1, 'p2/b' => 1])),
        );
        self::assertSame(
            ['3', '6'],
            array_values(
                array_intersect_key(self::contacts(self::under($house, ColourScheme::A), 'C-1', Side::A), [
                    'p2/a' => 1,
                    'p2/b' => 1,
                ]),
            ),
        );
        $fixed = Bench::category();
        self::assertSame(
            self::contacts($fixed, 'C-1', Side::A),
            self::contacts(self::under($fixed, ColourScheme::A), 'C-1', Side::A),
        );
    }

    /** @return iterable<string, array{string, HotColour, string}> cable, rule, colour that is hot */
    public static function hot(): iterable
    {
        yield 'coloured before white' => ['pair-braid', HotColour::Coloured, 'blue'];
        yield 'white' => ['pair-braid', HotColour::White, 'white'];
        yield 'red before black' => ['pair-foil', HotColour::Coloured, 'red'];
        yield 'red' => ['pair-foil', HotColour::Red, 'red'];
        yield 'neither is red' => ['pair-braid', HotColour::Red, 'blue'];
        yield 'neither is white' => ['pair-foil', HotColour::White, 'red'];
        yield 'clear counts as white' => ['pair-lapped', HotColour::White, 'clear'];
        yield 'as listed' => ['pair-braid', HotColour::AsListed, 'blue'];
        yield 'star-quad, both like cores' => ['star-quad', HotColour::White, 'white'];
    }

    #[DataProvider('hot')]
    public function test_which_core_is_hot(string $cable, HotColour $rule, string $colour): void
    {
        $bench = self::under(
            Bench::of(
                Bench::request(
                    'A-1',
                    $cable,
                    ['analogue'],
                    ['xlr3-male-cable-balanced'],
                    ['xlr3-female-cable-balanced'],
                ),
            ),
            $rule,
        );
        $conductors = $bench->installation->catalogue->cables()[$cable]->conductors();
        foreach (Side::cases() as $side) {
            $hot = array_keys(self::contacts($bench, 'A-1', $side), '2', true);
            self::assertNotSame([], $hot);
            foreach ($hot as $path) {
                self::assertSame($colour, $conductors[$path]->element->colour);
            }
        }
    }

    public function test_a_white_core_listed_first_is_cold_unless_the_house_says_otherwise(): void
    {
        $cores = 'cables.pair-braid.construction.children.0.children';
        $bench = Bench::of(
            Bench::request('A-1', 'pair-braid', ['analogue'], ['xlr3-male-cable-balanced'], []),
        )->withCatalogueEdited(["$cores.0.colour" => 'white', "$cores.1.colour" => 'blue']);
        self::assertSame('2', self::contacts($bench, 'A-1', Side::A)['p1/b']);
        self::assertSame('2', self::contacts(self::under($bench, HotColour::AsListed), 'A-1', Side::A)['p1/a']);
    }

    public function test_the_colours_of_network_pairs_are_no_matter_of_taste(): void
    {
        self::assertSame(
            self::contacts(Bench::category(), 'C-1', Side::A),
            self::contacts(self::under(Bench::category(), HotColour::White), 'C-1', Side::A),
        );
    }

    public function test_the_screen_may_stay_open_at_the_far_end(): void
    {
        $bench = self::under(Bench::microphone(), ShellBond::OneEnd);
        self::assertContains('1', self::contacts($bench, 'A-1', Side::A));
        self::assertNotContains('1', self::contacts($bench, 'A-1', Side::B));
        $reasons = array_map(
            static fn ($unused): string => $unused->reason,
            $bench->plan()->runs['A-1']->end(Side::B)->unused,
        );
        self::assertStringContainsString('house rule', implode(' ', $reasons));
        $digital = self::under(
            Bench::of(
                Bench::request(
                    'A-1',
                    'digital-pair-110',
                    ['aes3'],
                    ['xlr3-male-cable-balanced'],
                    ['xlr3-female-cable-balanced'],
                ),
            ),
            ShellBond::OneEnd,
        );
        self::assertContains('1', self::contacts($digital, 'A-1', Side::B), 'a digital line keeps its screen');
    }

    public function test_a_clamp_ties_the_shell_whatever_the_house_says(): void
    {
        $serial = Bench::of(
            Bench::request('M-1', 'multicore-8', ['analogue'], ['dsub25-male-aes59'], ['dsub25-male-aes59']),
        );
        foreach ([ShellBond::Free, ShellBond::Bonded] as $rule) {
            self::assertNotContains(
                't:M-1.b1/shell',
                self::under($serial, $rule)->expectation()->reading->lights['t:M-1.a1/25'],
                'the pairs’ own drains are not clamped',
            );
        }
    }

    public function test_a_cables_own_screen_under_a_clamp_reaches_the_shell(): void
    {
        $line = Bench::of(Bench::request('D-1', 'data-2pair', ['aes3'], ['dsub25-male-aes59'], []));
        self::assertContains('c:D-1:B:drain', $line->expectation()->reading->lights['t:D-1.a1/shell']);
        $lug = Bench::of(Bench::request('D-1', 'data-2pair', ['aes3'], ['xlr3-male-cable-balanced'], []));
        self::assertSame([], $lug->expectation()->reading->lights['t:D-1.a1/shell'], 'a lug waits for the house rule');
        self::assertNotSame([], self::under($lug, ShellBond::Bonded)->expectation()->reading->lights['t:D-1.a1/shell']);
    }

    public function test_cutting_long_adds_the_trim_allowance_at_both_ends(): void
    {
        $bench = Bench::microphone();
        $long = self::under($bench, LengthPractice::CutLong);
        $added =
            $long->plan()->runs['A-1']->cut->exact->nanometres - $bench->plan()->runs['A-1']->cut->exact->nanometres;
        self::assertSame(40_000_000, $added);
    }

    public function test_a_text_that_turns_is_marked_as_the_house_has_it(): void
    {
        self::assertSame(['6', true, ''], array_values(get_object_vars(Marked::as(LabelTurn::Underline, '6'))));
        self::assertSame(
            ['6', true, 'SIX'],
            array_values(get_object_vars(Marked::as(LabelTurn::UnderlineAndWord, '6'))),
        );
        self::assertSame(['16', false, 'ONE SIX'], array_values(get_object_vars(Marked::as(LabelTurn::Word, '16'))));
        self::assertNull(
            \Sartal\Core\Ends\Labelling\Rotation::read(Marked::as(LabelTurn::LeadingLetter, '6')->text),
            'unreadable upside down',
        );
    }

    public function test_shrink_goes_on_the_list_as_the_house_covers_joints(): void
    {
        $count = static function (JointShrink $rule): int {
            $bench = self::under(Bench::microphone(), $rule);
            $sheet = (new EndSheets($bench->installation))->of(
                $bench->installation->runs()['A-1'],
                Side::A,
                $bench->plan()->runs['A-1'],
            );
            $slides = $sheet?->fittings[0]->legs[0]->preparation->slides ?? [];

            return array_sum(
                array_map(
                    static fn ($slide): int => $slide->part->kind->value === 'shrink' ? max(1, (int) $slide->note) : 0,
                    $slides,
                ),
            );
        };
        self::assertSame(0, $count(JointShrink::None));
        self::assertSame(3, $count(JointShrink::Each));
        self::assertSame(1, $count(JointShrink::ScreenOnly));
        self::assertSame(1, $count(JointShrink::WholeTail));
    }

    public function test_the_order_of_joining_follows_the_house(): void
    {
        $order = static function (JoinOrder $rule): array {
            $bench = self::under(
                Bench::of(Bench::request('A-1', 'pair-foil', ['analogue'], ['xlr3-male-cable-balanced'], [])),
                $rule,
            );
            $sheet = (new EndSheets($bench->installation))->of(
                $bench->installation->runs()['A-1'],
                Side::A,
                $bench->plan()->runs['A-1'],
            );

            return array_map(
                static fn ($core): string => $core->joint->function,
                $sheet?->fittings[0]->legs[0]->preparation->cores ?? [],
            );
        };
        self::assertSame(['screen', 'hot', 'cold'], $order(JoinOrder::ScreenFirst));
        self::assertSame(['hot', 'screen', 'cold'], $order(JoinOrder::Across), 'as they lie, left to right, then down');
        self::assertSame('cold', $order(JoinOrder::HardestFirst)[0], 'contact 3 lies nearest the middle of the shell');
    }

    public function test_solder_instead_of_crimp_changes_the_tool(): void
    {
        $tools = static function (ContactsMade $rule): string {
            $bench = self::under(Bench::stageBox(), $rule);
            $sheet = (new EndSheets($bench->installation))->of(
                $bench->installation->runs()['M-1'],
                Side::B,
                $bench->plan()->runs['M-1'],
            );

            return implode(' ', $sheet?->fittings[0]->legs[0]->preparation->tools ?? []);
        };
        self::assertStringContainsString('four-indent crimp tool', $tools(ContactsMade::AsMade));
        self::assertStringNotContainsString('four-indent crimp tool', $tools(ContactsMade::SolderAll));
        self::assertStringContainsString('iron', $tools(ContactsMade::SolderAll));
    }

    public function test_a_change_of_rule_says_beforehand_what_it_changes(): void
    {
        $file = InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        );
        $in = $file->installation;
        $planner = new Planner();
        $before = $planner->plan($in, $file->record);
        $of = static fn (Installation $then): Consequences => Consequences::between(
            $before,
            $then,
            $planner->plan($then, $file->record),
        );
        $none = $of($in);
        self::assertSame(
            [0, [], [], [], [], []],
            [$none->joints, $none->ends, $none->cuts, $none->labels, $none->tests, $none->overtaken],
        );
        $white = $of($in->withRules($in->rules()->with(HotColour::White)));
        self::assertSame(['A-119 A', 'A-119 B'], $white->ends, 'only the star-quad has a white core');
        self::assertSame(16, $white->joints, 'four cores at two ends go and come');
        $open = $of($in->withRules($in->rules()->with(ShellBond::OneEnd)));
        self::assertContains('A-114 B', $open->ends);
        self::assertNotContains('A-114 A', $open->ends);
        self::assertContains('A-114', $open->tests);
        self::assertContains('A-114 end-b', $open->overtaken, 'it is built');
        self::assertContains('phantom.open', Bench::codes($open->comes));
        $long = $of($in->withRules($in->rules()->with(LengthPractice::CutLong)));
        self::assertContains('A-114 cut', $long->overtaken);
        self::assertSame(0, $long->joints);
        $labels = $of($in->withRules($in->rules()->with(LabelTurn::LeadingLetter)));
        self::assertContains('M-202', $labels->labels);
        self::assertNotContains('A-114', $labels->labels);
        $scheme = $of($in->withRules($in->rules()->with(ColourScheme::A)));
        self::assertSame(['C-443 A'], $scheme->ends, 'only that end follows the house');
        self::assertSame(8, $scheme->joints, 'four wires go and come');
        $drain = $of($in->withRules($in->rules()->with(ScreenAndDrain::Together)));
        self::assertSame([], $drain->tests, 'they touch: nothing reads otherwise');
    }
}
