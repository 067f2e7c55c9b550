<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\Interned;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Later\Handover\AssemblyStanding;
use Sartal\Core\Later\Handover\Gap;
use Sartal\Core\Later\Handover\GapKind;
use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Work\Pulling\SiteState;

/** What thousands of are written down and read comes back as it was, in little room. */
final class LeanTest extends TestCase
{
    public function test_where_an_assembly_stands_comes_back_as_it_was(): void
    {
        $standing = self::standing(7);

        $back = unserialize(serialize($standing));

        self::assertEquals($standing, $back);
        self::assertSame($standing->runs['r-7']->strand[1], $back->runs['r-7']->strand[1]);
    }

    public function test_thousands_are_read_into_less_than_five_thousand_octets_each(): void
    {
        $written = serialize(array_map(self::standing(...), range(1, 2_000)));
        $before = memory_get_usage();
        $read = unserialize($written);

        self::assertCount(2_000, $read);
        self::assertLessThan(2_000 * 5_000, memory_get_usage() - $before);
    }

    public function test_writing_them_leaves_them_as_they_were(): void
    {
        $all = array_map(self::standing(...), range(1, 2_000));
        $before = memory_get_usage();
        $octets = strlen(serialize($all));

        self::assertGreaterThan(1_000_000, $octets);
        self::assertLessThan(2_000 * 100, memory_get_usage() - $before, 'no table of fields stays with each');
    }

    public function test_what_is_alike_is_the_same_whatever_came_before(): void
    {
        foreach ([[], ['1'], ['p1' => '1', 'p2' => '2'], ['2', '1'], ['1', '2'], [3 => '1']] as $list) {
            self::assertSame($list, Interned::of($list));
            self::assertSame($list, Interned::of($list));
        }
        for ($i = 0; $i < 3_000; $i++) {
            self::assertSame('t'.$i, Interned::text('t'.$i));
            self::assertSame(['t'.$i => 'u'], Interned::of(['t'.$i => 'u']));
        }
        self::assertSame(Length::zero(), Length::parse('0 m'));
        self::assertSame(Length::zero(), Length::millimetres(0));
    }

    private static function standing(int $number): AssemblyStanding
    {
        $run = 'r-'.$number;

        return new AssemblyStanding(
            $run,
            'A-'.$number,
            [
                $run => new RunStanding(
                    $number % 5 === 0,
                    [Bead::of(Stage::Cut, BeadState::Done), Bead::of(Stage::EndA, BeadState::Overtaken)],
                    self::site(),
                    ['Ines', 'Orrin'],
                    $number % 2 === 0 ? Length::millimetres(12 * $number) : null,
                ),
            ],
            ['made-'.$number],
            [Finding::check('some.code', Subject::run($run), 'Words.', 'A remedy.')],
            [new Gap(GapKind::Untested, $run, 'A-'.$number, 'and words')],
            ['Mira'],
        );
    }

    private static function site(): SiteState
    {
        return SiteState::read(
            Build::Site,
            [],
            new Fingerprints('foil', Worked::sum([]), [], [], [[], '', ''], null),
        );
    }
}
