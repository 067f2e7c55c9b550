<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use App\Planning\ShippedPatterns;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Topology;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Patterns\PatternAnswers;
use Sartal\Core\Plan\Patterns\PatternKind;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\RunCopy;
use Sartal\Core\Proof\Record\Record;
use Tests\Support\Bench;

/** What patterns make: ordinary runs and connectors, wired as the trade wires such an assembly. */
final class PatternsTest extends TestCase
{
    private const PLACES = [
        'placeA' => 'here', 'placeB' => 'there', 'place' => 'here', 'far' => 'there', 'places' => 'here|there|here',
    ];

    /** @param  array<string, string>  $more */
    private static function made(string $pattern, array $more = [], ?Installation $in = null): Installation
    {
        $in ??= Bench::of()->installation;
        $of = ShippedPatterns::all()[$pattern];
        $rule = PatternKind::from($of->kind)->rule();
        $answers = $more + $of->answers + self::PLACES + ['code' => 'X-101', 'name' => 'Test'];
        $sketch = new Sketch($in);
        $rule->draw($sketch, PatternAnswers::to($rule->questions(), $answers, $in));

        return $sketch->drawn()->in;
    }

    /** @return array<string, string> "X-101 A p1/a" → "label/address", of all runs */
    private static function netlist(Installation $in): array
    {
        $list = [];
        foreach ($in->runs() as $run) {
            foreach (Side::cases() as $side) {
                $cable = $in->catalogue->theCable($run->cable);
                foreach (PinoutMaker::make($in, $run, $side, $cable)->joints as $joint) {
                    $at = $run->code.' '.$side->value.' '.$joint->conductor;
                    $list[$at] = $in->theFitting((string) Node::fitting($joint->to))->label.'/'.$joint->address();
                }
            }
        }

        return $list;
    }

    /** @return iterable<string, array{string}> */
    public static function shipped(): iterable
    {
        foreach (ShippedPatterns::all() as $id => $pattern) {
            yield (string) $id => [(string) $id];
        }
    }

    #[DataProvider('shipped')]
    public function test_every_one_makes_what_nothing_stands_against(string $pattern): void
    {
        $in = self::made($pattern);
        self::assertNotSame([], $in->runs());
        $stops = array_filter(
            (new Planner())->plan($in)->findings(),
            static fn (Finding $finding): bool => $finding->severity === Severity::Stop,
        );
        self::assertSame([], array_map(static fn (Finding $each): string => $each->words, array_values($stops)));
        foreach (self::netlist($in) as $at => $to) {
            self::assertNotSame('', $to, $at);
        }
    }

    /** Written and read back, and duplicated run by run, it is wired the same. */
    #[DataProvider('shipped')]
    public function test_every_one_comes_back_from_a_file_and_is_duplicated_whole(string $pattern): void
    {
        $in = self::made($pattern);
        $file = (string) json_encode(FileEncoder::file(new InstallationFile($in, new Record([]), [])));
        $back = InstallationFile::parse($file)->installation;
        self::assertSame(self::netlist($in), self::netlist($back));
        self::assertEquals($in->links(), $back->links());
        self::assertEquals($in->switches(), $back->switches());
        self::assertEquals($in->panels(), $back->panels());
        foreach ($in->runs() as $run) {
            $copy = RunCopy::of($run, $in, 'copy', 'COPY-1');
            $with = $in->withRun($copy->proposal->run, $copy->proposal->fittings, $copy->proposal->circuits);
            $own = array_filter(
                self::netlist($with),
                static fn (string $at): bool => str_starts_with($at, 'COPY-1'),
                ARRAY_FILTER_USE_KEY,
            );
            $was = array_filter(
                self::netlist($in),
                static fn (string $at): bool => str_starts_with($at, $run->code.' '),
                ARRAY_FILTER_USE_KEY,
            );
            $contacts = static fn (array $list): array => array_map(
                static fn (string $to): string => substr((string) strrchr($to, '/'), 1),
                array_values($list),
            );
            self::assertSame($contacts($was), $contacts($own));
        }
    }

    public function test_a_split_panel_splits_lifts_and_feeds(): void
    {
        $in = self::made('split-panel', ['inputs' => '20', 'lifts' => '1-4']);
        self::assertSame(['X-101', 'X-102', 'X-103'], array_values(array_map(static fn ($r) => $r->code, $in->runs())));
        $labels = array_map(static fn ($fitting): string => $fitting->label, $in->fittings());
        sort($labels, SORT_NATURAL);
        self::assertCount(20 * 3, $labels);
        self::assertContains('Test in 20', $labels);
        self::assertContains('Test out 20', $labels);
        // Worked out by the trade's rule, not by the pattern: hot and cold by jumper, the screen by switch or jumper.
        $at = array_flip(array_map(static fn ($fitting): string => $fitting->label, $in->fittings()));
        $links = array_map(static fn ($link): string => $link->from.' '.$link->to, $in->links());
        for ($n = 1; $n <= 20; $n++) {
            [$input, $output] = [$at['Test in '.$n], $at['Test out '.$n]];
            foreach ($n <= 4 ? [2, 3] : [1, 2, 3] as $contact) {
                self::assertContains("$input/$contact $output/$contact", $links);
            }
        }
        self::assertCount(4 * 2 + 16 * 3, $links);
        $switches = array_values($in->switches());
        self::assertCount(4, $switches);
        self::assertSame([$at['Test in 1'].'/1', $at['Test out 1'].'/1'], [$switches[0]->from, $switches[0]->to]);
        $circuit = array_values($in->circuits())[0];
        self::assertSame([Topology::Split, $at['Test in 1']], [$circuit->topology, $circuit->from]);
        self::assertNotSame('', $circuit->phantom);
        // Boots at the far end in one colour for each eight, as digits are coloured: IEC 60062, 1 brown, 2 red.
        $boot = static fn (string $label): array => $in->theFitting((string) $at[$label])->parts;
        self::assertSame(['boot-3pole-brown'], $boot('X-101 B 8'));
        self::assertSame(['boot-3pole-red'], $boot('X-102 B 1'));
        self::assertSame(['boot-3pole-orange'], $boot('X-103 B 4'));
        // What is left of the last multicore carries nothing.
        self::assertCount(4, array_values($in->runs())[2]->carries);
        $panel = array_values($in->panels())[0];
        self::assertSame([6, 8], [$panel->rows, $panel->columns]);
        self::assertSame($at['Test out 9'], $panel->places['4-1']);
        self::assertSame($at['Test in 17'], $panel->places['5-1']);
    }

    /** Each jumper has a length of its own, and lies with the tail in the input's cups. */
    public function test_jumpers_of_a_split_panel_may_be_cables_of_their_own_length(): void
    {
        $in = self::made('split-panel', [
            'inputs' => '8',
            'lifts' => '2',
            'jumper' => 'pair-lapped',
            'jumperLength' => '150 mm',
            'jumperSlack' => '50 mm',
        ]);
        $jumpers = array_filter($in->runs(), static fn ($run): bool => str_contains($run->code, ' J'));
        self::assertCount(8, $jumpers);
        $plan = (new Planner())->plan($in);
        foreach ($jumpers as $run) {
            $terms = array_column($plan->runs[$run->id]->cut->terms, 'amount', 'label');
            self::assertSame(150.0, $terms['length of the lead']->inMillimetres());
            self::assertSame(50.0, $terms['to trim where it lands']->inMillimetres());
            self::assertArrayNotHasKey('tails', $terms);
        }
        $stops = array_filter(
            $plan->findings(),
            static fn (Finding $finding): bool => $finding->severity === Severity::Stop,
        );
        self::assertSame([], array_map(static fn (Finding $each): string => $each->words, array_values($stops)));
        $list = [];
        foreach ($in->runs() as $run) {
            foreach (Side::cases() as $side) {
                $cable = $in->catalogue->theCable($run->cable);
                foreach (PinoutMaker::make($in, $run, $side, $cable)->joints as $joint) {
                    $list[$run->code.' '.$side->value.' '.$joint->function] = $joint->to;
                }
            }
        }
        $at = array_flip(array_map(static fn ($fitting): string => $fitting->label, $in->fittings()));
        self::assertSame('t:'.$at['Test in 3'].'/2', $list['X-101 J3 A hot']);
        self::assertSame('t:'.$at['Test out 3'].'/1', $list['X-101 J3 B screen']);
        // The lift stands in series with the output's contact 1.
        self::assertSame('s:splice-1', $list['X-101 J2 B screen']);
        $switch = array_values($in->switches())[0];
        self::assertSame(['splice:splice-1', $at['Test out 2'].'/1'], [$switch->from, $switch->to]);
        self::assertCount(1, $plan->assemblies);
    }

    public function test_a_block_takes_video_audio_and_network_from_three_cables(): void
    {
        $in = self::made('insert-block', ['name' => 'Block']);
        $block = array_filter($in->fittings(), static fn ($fitting): bool => $fitting->label === 'Block');
        self::assertCount(1, $block);
        self::assertCount(3, $in->runs());
        $id = (string) array_key_first($block);
        foreach ($in->runs() as $run) {
            self::assertContains($id, $run->fittings());
        }
        $list = array_filter(self::netlist($in), static fn (string $to): bool => str_starts_with($to, 'Block/'));
        self::assertSame('Block/1/a.centre', $list['X-101 B x1/centre']);
        self::assertSame('Block/1/b.centre', $list['X-101 B x2/centre']);
        self::assertSame('Block/2/4', $list['X-102 B p2/a']);
        self::assertSame('Block/3/p/5', $list['X-103 B p1/a']);
    }

    public function test_a_chain_is_one_circuit_and_ends_in_a_terminator(): void
    {
        $in = self::made('daisy-chain', ['name' => 'Line 1']);
        self::assertCount(2, $in->runs());
        self::assertCount(1, $in->circuits());
        $circuit = array_values($in->circuits())[0];
        self::assertSame(['Line 1', Topology::DaisyChain], [$circuit->name, $circuit->topology]);
        self::assertSame('X-102 B', $in->theFitting($circuit->terminator)->label);
        self::assertSame('X-101 A', $in->theFitting($circuit->from)->label);
    }

    public function test_leads_lie_in_no_building(): void
    {
        $in = self::made('patch-leads');
        self::assertCount(12, $in->runs());
        foreach ($in->runs() as $run) {
            self::assertTrue($run->isLoose());
            self::assertSame(203.2, $run->length?->inMillimetres());
        }
    }

    public function test_codes_go_on_past_those_that_are_taken(): void
    {
        $in = self::made('patch-leads', ['many' => '2', 'code' => 'PL-08'], self::made('patch-leads', [
            'many' => '1',
            'code' => 'PL-09',
        ]));
        $codes = array_values(array_map(static fn ($run): string => $run->code, $in->runs()));
        sort($codes);
        self::assertSame(['PL-08', 'PL-09', 'PL-10'], $codes);
    }

    /** @return iterable<string, array{string, array<string, string>, list<string>}> */
    public static function wrong(): iterable
    {
        yield 'no place and no such cable' => [
            'patch-leads',
            ['place' => 'nowhere', 'cable' => 'gold'],
            ['place', 'cable'],
        ];
        yield 'no length' => ['patch-leads', ['length' => 'long'], ['length']];
        yield 'a plan for another signal' => ['patch-leads', ['planA' => 'bnc75-plug-video'], ['planA']];
        yield 'a cable that cannot' => ['patch-leads', ['cable' => 'coax-75-mini'], ['cable']];
        yield 'more lifts than inputs' => ['split-panel', ['inputs' => '4', 'lifts' => '1-8'], ['lifts']];
        yield 'a code without a number' => ['patch-leads', ['code' => 'LEAD'], ['code']];
        yield 'one place alone' => ['daisy-chain', ['places' => 'here'], ['places']];
        yield 'a kind that nothing is said of' => ['patch-panel', ['many2' => '3'], ['signal2']];
        yield 'a signal that the block has no room for' => ['insert-block', ['signal3' => 'video'], ['signal3']];
    }

    /**
     * @param  array<string, string>  $answers
     * @param  list<string>  $fields
     */
    #[DataProvider('wrong')]
    public function test_a_wrong_answer_is_named(string $pattern, array $answers, array $fields): void
    {
        try {
            self::made($pattern, $answers);
            self::fail('It was not refused.');
        } catch (CannotJoin $cannot) {
            $named = array_map(static fn (CannotJoin $each): string => $each->field, [$cannot, ...$cannot->more]);
            self::assertSame($fields, $named);
        }
    }
}
