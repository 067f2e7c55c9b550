<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Making\Arrival;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Making\MakingFindings;
use Sartal\Core\Ends\Workpiece\AsCut;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Tests\Support\Bench;
use Tests\Support\Procedures;
use Tests\Support\Stand;

/** What is said of a procedure that cannot be followed: it names the step and the figure, and nothing breaks. */
final class MakingFindingsTest extends TestCase
{
    private static function cable(): CableType
    {
        return Bench::microphone()->installation->catalogue->theCable('pair-foil');
    }

    /** @return list<string> */
    private static function found(MakingProcedure $procedure): array
    {
        $station = Stand::with(
            goes: ['metal p1/a' => '2', 'metal p1/b' => '3', 'drain p1/drain' => '1'],
            screens: ['drain p1/drain'],
            parts: [
                'boot' => Arrival::Slid,
                'nut' => Arrival::Slid,
                'shell' => Arrival::Front,
                'chuck' => Arrival::Side,
            ],
        );
        $made = Made::by($procedure, new Workpiece(AsCut::of(self::cable())), $station);

        return array_map(
            static fn (Finding $finding): string => $finding->words,
            (new MakingFindings(self::cable()))->of($procedure, $made, Subject::cable('pair-foil')),
        );
    }

    public function test_what_is_right_is_found_nothing_against(): void
    {
        self::assertSame([], self::found(Procedures::procedure('cup-3-pole')));
    }

    public function test_an_impossible_order_names_the_step_that_comes_too_early(): void
    {
        $procedure = Procedures::procedure('cup-3-pole');
        $steps = $procedure->steps;
        $at = array_flip(array_map(static fn ($step): string => $step->id, $steps));
        [$steps[$at['bare']], $steps[$at['sheath-off']]] = [$steps[$at['sheath-off']], $steps[$at['bare']]];
        $found = implode("\n", self::found($procedure->withSteps($steps)));
        self::assertStringContainsString(
            'step bare (Take off the insulation of 2 cores: 5 mm of it, from its own end): The sheath is still round',
            $found,
        );
    }

    public function test_a_length_past_what_there_is_names_the_step(): void
    {
        $found = self::found(Procedures::changed(Procedures::procedure('cup-3-pole'), 'bare', '30 mm'));
        self::assertStringContainsString('step bare', $found[0]);
        self::assertStringContainsString('The sheath is still round insulation of p1/a there.', $found[0]);
    }

    public function test_a_demand_that_is_not_met_says_by_how_much(): void
    {
        $found = self::found(Procedures::changed(Procedures::procedure('cup-3-pole'), 'cores-trim', '4 mm'));
        self::assertCount(1, $found);
        self::assertStringContainsString(
            'Insulation up to the cup: what is bare of metal of p1/a is 4 mm; it has to be 1.5 mm to 3 mm.',
            $found[0],
        );
    }

    /** Steps in any order at all: something is found or it is right, and nothing breaks. */
    public function test_no_order_of_steps_breaks_anything(): void
    {
        $dice = new Randomizer(new Mt19937(1807));
        $procedure = Procedures::procedure('cup-3-pole');
        $wrong = 0;
        for ($n = 0; $n < 200; $n++) {
            $found = self::found($procedure->withSteps($dice->shuffleArray($procedure->steps)));
            foreach ($found as $message) {
                self::assertMatchesRegularExpression('~^Screened pair or star-quad.*\S\.$~s', $message);
            }
            $wrong += $found === [] ? 0 : 1;
        }
        self::assertSame(200, $wrong, 'of so many orders none is one that hands could follow');
    }
}
