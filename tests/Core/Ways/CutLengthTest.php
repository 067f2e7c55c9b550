<?php

declare(strict_types=1);

namespace Tests\Core\Ways;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Preparing\Block;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Ways\Looming\CutLength;
use Sartal\Core\Ways\Looming\Layout;
use Sartal\Core\Work\Bench\EndSheets;
use Tests\Support\Bench;

final class CutLengthTest extends TestCase
{
    private static function bench(): Bench
    {
        $a = new Termination(
            'here',
            ['xlr3-female-cable-balanced'],
            Length::parse('1.50 m'),
            Length::parse('0.30 m'),
            Length::parse('0.04 m'),
            1,
            Length::zero(),
        );
        $b = new Termination(
            'there',
            ['xlr3-male-cable-balanced'],
            Length::parse('0.90 m'),
            Length::parse('0.30 m'),
            Length::parse('0.05 m'),
            1,
            Length::zero(),
        );

        return Bench::of(
            new RunRequest('A-1', 'A-1', 'pair-foil', ['analogue'], Build::Shop, $a, $b, ['w1', 'w2', 'w3']),
        )->with(
            ways: [
                'w1' => new Way('w1', 'Tray', WayKind::Tray, Length::parse('12.40 m'), 'here', 'x'),
                'w2' => new Way('w2', 'Riser', WayKind::Riser, Length::parse('3.30 m'), 'x', 'y'),
                'w3' => new Way('w3', 'Void', WayKind::Void, Length::parse('2.50 m'), 'y', 'there'),
            ],
        );
    }

    private static function in(Installation $installation): \Sartal\Core\Given\Measure\Worked
    {
        return CutLength::work(
            $installation->runs()['A-1'],
            $installation,
            Layout::alone($installation->runs()['A-1'], $installation),
        );
    }

    /** The worked example that the schedule must reproduce: 21.926 m, cut at 21.95 m. */
    public function test_the_worked_example(): void
    {
        $worked = self::in(self::bench()->installation);
        self::assertSame('21926 mm', $worked->exact->canonical());
        self::assertSame('21950 mm', $worked->result->canonical());
        self::assertSame(
            ['18200 mm', '546 mm', '2400 mm', '600 mm', '90 mm', '90 mm'],
            array_map(static fn ($term): string => $term->amount->canonical(), $worked->terms),
        );
    }

    public function test_the_terms_add_up_to_the_exact_length(): void
    {
        $worked = self::in(self::bench()->installation);
        $sum = Length::zero()->plus(...array_map(static fn ($term): Length => $term->amount, $worked->terms));
        self::assertSame($worked->exact->nanometres, $sum->nanometres);
    }

    public function test_an_unknown_way_adds_nothing_and_is_found(): void
    {
        $bench = self::bench()->with(ways: []);
        self::assertSame('3180 mm', self::in($bench->installation)->exact->canonical());
        self::assertContains(
            'run.unknown-way',
            array_map(static fn ($finding): string => $finding->code, $bench->plan()->findings()),
        );
    }

    /**
     * Eight inches of a multicore are opened for a crimped rectangular connector, and what its longest block leaves of
     * them goes: 203.2 mm − that block, at the first making and at each spare one. What was cut before anybody reckoned
     * so stands as it was cut.
     */
    public function test_what_an_end_uses_up_beyond_what_is_stated_is_cut_longer(): void
    {
        $bench = Bench::stageBox();
        $in = $bench->installation;
        $run = $in->theRun('M-1');
        $plan = $bench->plan()->runs->get('M-1');
        $sheet = (new EndSheets($in))->of($run, Side::B, $plan);
        self::assertNotNull($sheet);
        $longest = max(array_map(
            static fn (Block $block): int => $block->length->result->roundedUpTo(Length::millimetres(1))->nanometres,
            $sheet->fittings[0]->blocks,
        ));
        $used = 203_200_000 - $longest;
        foreach ([0, 2] as $spares) {
            $end = new End(...['spares' => $spares] + get_object_vars($run->b));
            $worked = CutLength::work($run->withEnd(Side::B, $end), $in, Layout::alone($run, $in));
            $term = $worked->terms[count($worked->terms) - 1];
            self::assertSame('used up beyond that', $term->label);
            self::assertSame(($spares + 1) * ($used - $end->preparation->nanometres), $term->amount->nanometres);
            self::assertSame($spares === 0, ! str_contains($term->detail, '× 3'));
            $before = $worked->exact->minus($term->amount)->roundedUpTo($in->rules()->cutStep);
            self::assertSame($before->nanometres, $worked->known(Edition::Second)->nanometres);
            self::assertTrue($worked->result->compare($before) > 0);
        }
        $enough = new End(...['preparation' => Length::nanometres($used)] + get_object_vars($run->b));
        $worked = CutLength::work($run->withEnd(Side::B, $enough), $in, Layout::alone($run, $in));
        self::assertNotContains('used up beyond that', array_column($worked->terms, 'label'));
    }

    /**
     * Two-sheath cable into screened jacks: six inches are opened at each end, and of them half an inch of screen and
     * half an inch of cores stay; three and a half go with the cut, and the rest of the pairs at the guide.
     */
    public function test_two_sheath_cable_is_cut_longer_by_what_its_ends_discard(): void
    {
        $jack = ['8p8c-jack-screened-t568b'];
        $in = Bench::of(Bench::request('C-1', 'cat6a-two-sheath', ['network'], $jack, $jack))->installation;
        $run = $in->theRun('C-1');
        $worked = CutLength::work($run, $in, Layout::alone($run, $in));
        $term = $worked->terms[count($worked->terms) - 1];
        self::assertSame('used up beyond that', $term->label);
        self::assertSame(2 * (127_000_000 - 40_000_000), $term->amount->nanometres);
        self::assertSame('A 127 mm used up − 40 mm stated; B 127 mm used up − 40 mm stated', $term->detail);
    }
}
