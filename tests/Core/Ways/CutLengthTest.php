<?php

declare(strict_types=1);

namespace Tests\Core\Ways;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Ways\Looming\CutLength;
use Sartal\Core\Ways\Looming\Layout;
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
}
