<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problems;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Installation\Departure;
use Sartal\Core\Given\Installation\DepartureOf;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\HotColour;
use Sartal\Core\Given\Schools\JointShrink;
use Sartal\Core\Given\Schools\Latitude;
use Sartal\Core\Given\Schools\LengthPractice;
use Sartal\Core\Given\Schools\School;
use Sartal\Core\Given\Schools\ScreenTinning;
use Sartal\Core\Given\Schools\SecondEnd;
use Sartal\Core\Given\Schools\ShellBond;
use Tests\Support\Bench;

/** A school that differs within a job: for a family, a loom, or what only one end is concerned with. */
final class DeparturesTest extends TestCase
{
    /** @return Bench a microphone cable in loom L1 and a multicore in none */
    private static function bench(Departure ...$departures): Bench
    {
        $bench = Bench::of(
            Bench::request(
                'A-1',
                'pair-foil',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
            Bench::request('M-1', 'multicore-24', ['analogue'], ['xlr3-female-cable-balanced'], ['rect90-male-24ch']),
        );
        $in = $bench->installation;

        return $bench->with(
            rules: $in->rules()->departing(array_values($departures)),
            looms: ['L1' => Loom::named('L1', 'Stage')],
            runs: ['A-1' => new Run(...['loom' => 'L1'] + get_object_vars($in->theRun('A-1')))] + $in->runs(),
        );
    }

    private static function loom(School $choice): Departure
    {
        return new Departure(DepartureOf::Loom, 'L1', $choice);
    }

    public function test_the_narrower_answer_stands_above_the_wider_one(): void
    {
        $in = self::bench(
            self::loom(JointShrink::ScreenOnly),
            new Departure(DepartureOf::Family, 'no such family', JointShrink::Each),
            new Departure(DepartureOf::Family, 'multicore', JointShrink::Each),
        )->installation;
        $family = $in->catalogue->theCable('pair-foil')->family;
        $in = $in->withRules($in->rules()->departing([
            ...$in->rules()->departures,
            new Departure(DepartureOf::Family, $family, JointShrink::WholeTail),
        ]));
        $on = static fn (string $run, ?Side $side = null): School => $in
            ->rulesFor($in->theRun($run), $side)
            ->on(JointShrink::class);
        self::assertSame(JointShrink::ScreenOnly, $on('A-1'), 'the loom above the family, in whichever order they are');
        self::assertSame(JointShrink::Each, $on('M-1'));
        $own = $in->theRun('A-1')->a->answering([JointShrink::None]);
        $in = $in->withRun($in->theRun('A-1')->withEnd(Side::A, $own));
        $on = static fn (Side $side): School => $in
            ->rulesFor($in->theRun('A-1'), $side)
            ->on(JointShrink::class);
        self::assertSame([JointShrink::None, JointShrink::ScreenOnly], [$on(Side::A), $on(Side::B)]);
        self::assertSame(JointShrink::usual(), $in->rule(JointShrink::class), 'The house has not changed.');
    }

    /** @return array<string, string> run → hash of what its plan depends on */
    private static function hashes(Bench $bench): array
    {
        $plan = $bench->plan();
        $hashes = [];
        foreach (['A-1', 'M-1'] as $run) {
            $hashes[$run] = serialize([$plan->runs[$run]->joints(), $plan->runs[$run]->cut]);
        }

        return $hashes;
    }

    public function test_polarity_and_lengths_follow_where_it_holds_and_nowhere_else(): void
    {
        $colours = [
            'cables.pair-foil.construction.children.0.children.0.colour' => 'white',
            'cables.pair-foil.construction.children.0.children.1.colour' => 'red',
        ];
        $before = self::hashes(self::bench()->withCatalogueEdited($colours));
        $after = self::hashes(self::bench(self::loom(HotColour::White))->withCatalogueEdited($colours));
        self::assertNotSame($before['A-1'], $after['A-1']);
        self::assertSame($before['M-1'], $after['M-1']);
        $long = self::hashes(self::bench(new Departure(DepartureOf::Family, 'multicore', LengthPractice::CutLong)));
        self::assertSame(self::hashes(self::bench())['A-1'], $long['A-1']);
        self::assertNotSame($before['M-1'], $long['M-1']);
    }

    public function test_a_shell_is_bonded_where_the_loom_bonds_it(): void
    {
        $ties = static fn (Bench $bench, string $run): int => count($bench->expectation($run)->wiring->edges);
        $other = ShellBond::usual() === ShellBond::Bonded ? ShellBond::OneEnd : ShellBond::Bonded;
        self::assertNotSame($ties(self::bench(), 'A-1'), $ties(self::bench(self::loom($other)), 'A-1'));
        self::assertSame($ties(self::bench(), 'M-1'), $ties(self::bench(self::loom($other)), 'M-1'));
    }

    public function test_a_file_brings_them_back(): void
    {
        $in = self::bench(
            self::loom(JointShrink::ScreenOnly),
            self::loom(HotColour::usual()),
            new Departure(DepartureOf::Family, 'multicore', LengthPractice::CutLong),
        )->installation;
        $shape = FileEncoder::rules($in->rules());
        $problems = new Problems();
        $back = FileDecoder::rules(Fields::from($shape, '', $problems));
        $problems->settle();
        self::assertEquals(
            $in->rules()->for('x', 'L1')->answers(),
            $back->for('x', 'L1')->answers(),
        );
        self::assertEquals(FileEncoder::rules($back), $shape);
        self::assertArrayNotHasKey('departures', FileEncoder::rules(HouseRules::defaults()));
        $run = $in->theRun('A-1');
        $run = $run->withEnd(Side::A, $run->a->answering([ScreenTinning::Full]));
        $problems = new Problems();
        $again = RunCodec::decode(
            Fields::from(json_decode((string) json_encode(RunCodec::encode($run)), true), '', $problems),
        );
        $problems->settle();
        self::assertEquals($run, $again);
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function refused(): iterable
    {
        yield 'of the house alone' => [
            'whole installation',
            ['loom' => 'L1', 'secondEnd' => SecondEnd::usual()->value],
        ];
        yield 'an answer that is none' => ['should be one of', ['loom' => 'L1', 'screenTinning' => 'some']];
        yield 'for nobody' => ['family', ['screenTinning' => 'full']];
        yield 'for both at once' => ['family', ['loom' => 'L1', 'family' => 'multicore', 'screenTinning' => 'full']];
    }

    /** @param  array<string, mixed>  $departure */
    #[DataProvider('refused')]
    public function test_what_cannot_be_answered_there_is_refused(string $words, array $departure): void
    {
        $problems = new Problems();
        try {
            FileDecoder::rules(Fields::from(['departures' => [$departure]], '', $problems));
            $problems->settle();
            self::fail('It was not refused.');
        } catch (InvalidDocument $invalid) {
            self::assertStringContainsString($words, $invalid->getMessage());
        }
    }

    /** Polarity and earth are answered for the cable as a whole: one end by itself would cross them. */
    public function test_no_end_answers_alone_what_both_have_to_agree_on(): void
    {
        foreach (HouseRules::SCHOOLS as $school) {
            $isOfTheHandAlone = in_array(
                $school::key(),
                ['joinOrder', 'screenTinning', 'jointShrink'],
                true,
            );
            self::assertSame($isOfTheHandAlone, $school::latitude() === Latitude::End, $school);
        }
    }
}
