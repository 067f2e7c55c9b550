<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Making\FarEnd;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\JointShrink;
use Sartal\Core\Given\Schools\MainsEnds;
use Sartal\Core\Given\Schools\School;
use Sartal\Core\Given\Schools\ScreenAndDrain;
use Sartal\Core\Given\Schools\ScreenTinning;
use Tests\Support\CatalogueEnd;
use Tests\Support\EndsOfTheCatalogue;
use Tests\Support\Share;

/** What the catalogue allows, and has a procedure for, is made right in simulation; no step of a procedure is dead. */
final class ProvenEndsTest extends TestCase
{
    /** How many ends there are of each procedure: fewer would prove less than is said. */
    private const ENDS = [
        'bnc-captive' => 5,
        'bnc-crimp' => 15,
        'category-7a' => 4,
        'category-jack' => 30,
        'category-jack-screened' => 3,
        'category-plug' => 27,
        'category-plug-screened' => 7,
        'cup-3-pole' => 168,
        'cups-5-pole' => 16,
        'cups-d-sub' => 372,
        'f-crimp' => 10,
        'individual-jack' => 2,
        'individual-plug' => 3,
        'low-profile-plug' => 29,
        'mains-screws' => 24,
        'miniature-plug' => 2,
        'modular-coax' => 20,
        'modular-crimp' => 90,
        'n-crimp' => 6,
        'n-fingers' => 5,
        'phone-2-contact' => 39,
        'phone-3-contact' => 22,
        'phone-jack' => 56,
        'phono' => 41,
        'rectangular-crimp' => 414,
        'screw-terminals' => 46,
        'speaker-panel' => 5,
        'speaker-terminals' => 5,
        'two-sheath-jack' => 1,
    ];

    /** Steps that no end of today's catalogue calls for, and why. */
    private const NOT_YET = [
        'filler-off' => 'no type says that it has a filler',
        'inside-off' => 'no type says what lies beside its pairs',
        'thread-off' => 'of 7A: no type that comes into one says that it has a thread',
        'shrink-on' => 'it comes over the finished connector',
        'measure' => 'of legs that somebody says are measured on the equipment: made in SecondHalfTest',
        'leg-cut' => 'see measure',
        'tie-on' => 'of houses that want one: made in SecondHalfTest',
        'plate' => 'the side of a hood is a place, not yet a part that is turned',
        'bite-on' => 'nobody says yet which leg is too thin for its clamp',
        'bite-home' => 'nobody says yet which leg is too thin for its clamp',
        'bite-shrunk' => 'nobody says yet which leg is too thin for its clamp',
        'bite-cool' => 'nobody says yet which leg is too thin for its clamp',
        'screen-off' => 'of an unscreened jack: something is found against a screened cable in it',
        'screen-open' => 'of five poles: no type that comes into one has a braid',
        'drain-sleeve' => 'of mains: its drain goes with earth where somebody joins it so: made in StepsTest',
    ];

    /** @var array<string, list<CatalogueEnd>> by the house's answers */
    private static array $ends = [];

    public static function tearDownAfterClass(): void
    {
        self::$ends = [];
    }

    /** @return list<CatalogueEnd> */
    private static function ends(School ...$answers): array
    {
        $key = implode(' ', array_map(static fn (School $answer): string => $answer::key().$answer->value, $answers));

        return self::$ends[$key] ??= array_values(
            array_filter(
                [...(new EndsOfTheCatalogue(ShippedCatalogue::load(), array_values($answers)))->all()],
                static fn (CatalogueEnd $end): bool => $end->procedure !== null,
            ),
        );
    }

    /** @return iterable<string, list<School>> answers that ends are made by */
    public static function houses(): iterable
    {
        foreach (self::everyHouse() as $name => $answers) {
            if ($answers === [] || Share::isDrawn($name, 3)) {
                yield $name => $answers;
            }
        }
    }

    /** @return iterable<string, list<School>> */
    private static function everyHouse(): iterable
    {
        yield 'the usual ones' => [];
        foreach ([JointShrink::Each, JointShrink::ScreenOnly, JointShrink::WholeTail] as $answer) {
            yield 'shrink: '.$answer->value => [$answer];
        }
        yield 'screens tinned all along' => [ScreenTinning::Full];
        yield 'screen and drain together' => [ScreenAndDrain::Together];
        yield 'mains strands bare' => [MainsEnds::Bare];
        yield 'mains strands tinned' => [MainsEnds::Tinned];
        yield 'contacts soldered' => [ContactsMade::SolderAll];
        yield 'all three' => [JointShrink::Each, ScreenTinning::Full, ScreenAndDrain::Together];
    }

    #[DataProvider('houses')]
    public function test_every_end_that_a_procedure_is_for_is_made_right(School ...$answers): void
    {
        $counts = [];
        foreach (self::ends(...$answers) as $end) {
            self::assertNotNull($end->procedure);
            $made = Made::by($end->procedure, $end->workpiece, $end->station);
            $lacks = array_merge(...array_map(static fn ($step): array => $step->lacks, $made->failed()), ...[[]]);
            self::assertSame([], [...$lacks, ...$made->unmet], $end->name);
            $counts[$end->procedure->id] = ($counts[$end->procedure->id] ?? 0) + 1;
        }
        ksort($counts);
        self::assertSame(self::ENDS, $counts);
    }

    /** The same as a second half, whose connector meets what is at the other end: it is plugged in and coiled. */
    public function test_a_second_half_is_made_right_too(): void
    {
        $mated = $coiled = 0;
        foreach (self::ends(JointShrink::Each) as $end) {
            self::assertNotNull($end->procedure);
            $made = Made::by($end->procedure, $end->workpiece, $end->second());
            self::assertTrue($made->isRight(), $end->name);
            $verbs = array_map(static fn ($step): Verb => $step->step->verb, $made->steps);
            $mated += in_array(Verb::Mate, $verbs, true) ? 1 : 0;
            $coiled += $made->result->coiled ? 1 : 0;
            self::assertFalse(Made::by($end->procedure, $end->workpiece, $end->station)->result->coiled, $end->name);
        }
        self::assertSame([556, 1370], [$mated, $coiled]);
    }

    public function test_every_step_is_called_for_by_some_end(): void
    {
        $dead = $called = [];
        $all = [
            ...self::ends(),
            ...self::ends(JointShrink::Each, ScreenTinning::Full, ScreenAndDrain::Together),
            ...self::ends(MainsEnds::Tinned, ContactsMade::SolderAll),
        ];
        foreach ($all as $end) {
            self::assertNotNull($end->procedure);
            foreach ($end->procedure->steps as $step) {
                $dead[$end->procedure->id.' '.$step->id] = $step->id;
            }
            foreach ([$end->station, $end->second()] as $station) {
                foreach (Made::by($end->procedure, $end->workpiece, $station)->steps as $made) {
                    $called[$end->procedure->id.' '.$made->step->id] = true;
                }
            }
        }
        $dead = array_values(array_unique(array_diff_key($dead, $called)));
        self::assertSame([], array_values(array_diff($dead, array_keys(self::NOT_YET))));
        self::assertSame([], array_values(array_diff(array_keys(self::NOT_YET), $dead)), 'called for by now');
    }

    /** Ends of one signature are made alike, and what is made otherwise has another. */
    public function test_a_signature_says_all_that_a_making_follows_from(): void
    {
        $known = [];
        foreach ([...self::ends(), ...self::ends(JointShrink::Each)] as $end) {
            self::assertNotNull($end->procedure);
            $signature = $end->stations->signature($end->procedure, $end->protective);
            $inputs = md5(serialize([$end->workpiece, $end->station]));
            self::assertSame($known[$signature] ??= $inputs, $inputs, $end->name);
        }
        self::assertGreaterThan(300, count($known));
        $one = self::ends()[0];
        self::assertNotNull($one->procedure);
        $signatures = array_map(
            static fn (FarEnd $far): string => $one->stations->signature($one->procedure, $one->protective, $far),
            FarEnd::cases(),
        );
        self::assertCount(4, array_unique($signatures));
    }

    /**
     * Left out of an end that is right, a step is missed: something is lacking, a demand is not met, or the end is
     * another one. Tried on one end of each signature: of what it is made, and by which steps.
     */
    public function test_no_step_of_any_of_them_is_decoration(): void
    {
        $seen = [];
        $tried = 0;
        foreach ([...self::ends(), ...self::ends(JointShrink::Each)] as $end) {
            self::assertNotNull($end->procedure);
            $station = $end->second();
            $whole = Made::by($end->procedure, $end->workpiece, $station);
            $signature = implode(' ', [
                $end->procedure->id,
                ...array_map(static fn ($made): string => $made->step->id.count($made->doing->pieces), $whole->steps),
            ]);
            if (isset($seen[$signature])) {
                continue;
            }
            $seen[$signature] = true;
            foreach ($whole->steps as $made) {
                $left = array_values(
                    array_filter($end->procedure->steps, static fn (MakingStep $step): bool => $step !== $made->step),
                );
                $without = Made::by($end->procedure->withSteps($left), $end->workpiece, $station);
                self::assertTrue(
                    ! $without->isRight() || $without->result != $whole->result,
                    sprintf('%s of %s', $made->step->id, $end->name),
                );
                $tried++;
            }
        }
        self::assertGreaterThan(20, count($seen));
        self::assertGreaterThan(300, $tried);
    }
}
