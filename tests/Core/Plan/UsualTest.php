<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\Fields;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\Problems;
use Sartal\Core\File\UsualCodec;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
use Sartal\Core\Given\Catalogue\Gender;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\RunPlanner;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\QuickGuess;
use Sartal\Core\Plan\Proposing\QuickLine;
use Sartal\Core\Plan\Proposing\QuickText;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Plan\Proposing\Usual;
use Sartal\Core\Plan\Proposing\Usuals;
use Sartal\Core\Plan\Runs\RunPlan;
use Tests\Support\Bench;

/** Where an installation has no habits yet, a quick line goes by what is usual. Common practice throughout. */
final class UsualTest extends TestCase
{
    /** @return list<Usual> as they ship */
    private static function shipped(): array
    {
        $all = [];
        foreach (glob(dirname(__DIR__, 3).'/catalogue/usual/*.json') ?: [] as $file) {
            $problems = new Problems();
            $fields = Fields::from(json_decode((string) file_get_contents($file), true), basename($file), $problems);
            $all[] = UsualCodec::decode($fields);
            $fields->done();
            $problems->settle();
        }

        return $all;
    }

    private static function building(): Installation
    {
        $places = ['hall' => 'Hall', 'booth' => 'Booth', 'rack' => 'Rack', 'store' => 'Cable store'];

        return Bench::of()->installation->changed([
            'locations' => array_map(
                static fn (string $id): Location => new Location($id, $places[$id]),
                array_combine(array_keys($places), array_keys($places)),
            ),
            'ways' => ['h' => new Way('h', 'Hall tray', WayKind::Tray, Length::metres(9), 'hall', 'rack')],
        ]);
    }

    private static function guess(string $line, ?Installation $in = null): QuickGuess
    {
        return QuickLine::read($line, $in ?? self::building(), new Usuals(self::shipped()));
    }

    private static function because(QuickGuess $guess, string $what): string
    {
        $of = array_column($guess->understood, null, 'what');

        return ($of[$what] ?? null)->because ?? 'not said';
    }

    /** @return iterable<string, array{string, string, string, string, int}> line, cable, plans, runs */
    public static function lines(): iterable
    {
        $female = 'xlr3-female-cable-balanced';
        $male = 'xlr3-male-cable-balanced';
        yield 'a microphone' => ['mic hall > rack', 'pair-foil', $female, $male, 1];
        yield 'many of them' => ['24 mic hall > rack', 'multicore-24', $female, $male, 1];
        yield 'one more than fits' => ['9 mic hall > rack', 'multicore-12', $female, $male, 1];
        yield 'a digital pair' => ['aes3 hall > rack', 'digital-pair-110', $female, $male, 1];
        yield 'loudspeakers' => ['speaker rack > hall', 'loudspeaker-2', 'speaker4-cable-1', 'speaker4-cable-1', 1];
        yield 'two of them' => ['2 speaker rack > hall', 'loudspeaker-4', 'speaker4-cable-1', 'speaker4-cable-1', 1];
        yield 'four pictures' => ['4 video hall > rack', 'coax-75-standard', 'bnc75-plug-video', 'bnc75-plug-video', 4];
        yield 'six outlets' => [
            '6 network hall > rack',
            'cat6a-futp',
            '8p8c-jack-screened-house',
            '8p8c-jack-screened-house',
            6,
        ];
        yield 'lighting' => ['dmx rack > hall', 'data-2pair', 'xlr5-male-dmx', 'xlr5-female-dmx', 1];
        yield 'an antenna' => ['antenna hall > rack', 'coax-50-standard', 'bnc50-plug-radio', 'bnc50-plug-radio', 1];
    }

    #[DataProvider('lines')]
    public function test_a_first_line_goes_by_what_is_usual(
        string $line,
        string $cable,
        string $from,
        string $to,
        int $runs,
    ): void {
        $guess = self::guess($line);
        self::assertCount($runs, $guess->requests);
        $proposer = new Proposer(self::building()->catalogue);
        foreach ($guess->requests as $request) {
            self::assertSame([$cable, [$from], [$to]], [$request->cable, $request->a->plans, $request->b->plans]);
            self::assertSame([Build::Shop, null], [$request->build, $request->length]);
            self::assertNotSame([], $proposer->propose($request)->circuits);
        }
        $codes = array_map(static fn (RunRequest $each): string => $each->code, $guess->requests);
        self::assertSame(array_values(array_unique($codes)), $codes);
        self::assertSame(
            range(1, $runs),
            array_map(static fn (string $code): int => (int) substr((string) strrchr($code, '-'), 1), $codes),
        );
        self::assertNotSame('not said', self::because($guess, 'cable'));
        foreach ($guess->understood as $each) {
            self::assertSame($each->said, $each->because === '', $each->what.' says from what it is guessed');
        }
    }

    public function test_what_the_house_does_goes_before_what_is_usual(): void
    {
        $file = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
        $demo = InstallationFile::parse($file)->installation;
        $demo = $demo->withCatalogue(FormerConversion::completed($demo->catalogue, ShippedCatalogue::load()));
        $guess = self::guess('4 video media rack > projector 2', $demo);
        self::assertCount(4, $guess->requests);
        self::assertSame('coax-75-mini', $guess->requests[0]->cable, 'as the demo carries video');
        self::assertStringContainsString('here', self::because($guess, 'cable'));
        self::assertSame('each on a cable of its own', self::because($guess, 'runs'));
    }

    public function test_where_nothing_is_usual_the_first_that_fits_is_guessed_and_says_so(): void
    {
        $guess = QuickLine::read('mic hall > rack', self::building());
        self::assertStringContainsString('the smallest that carries 1', self::because($guess, 'cable'));
        self::assertStringContainsString('none ends here yet', self::because($guess, 'connector A'));
    }

    /** @return iterable<string, array{string, int, string, string, string}> line, leads, length, cable, plan */
    public static function leads(): iterable
    {
        $female = 'xlr3-female-cable-balanced';
        yield 'as people say it' => ['10 m mic lead in store', 1, '10000 mm', 'star-quad', $female];
        yield 'several' => ['4 x 5 m mic leads in the booth', 4, '5000 mm', 'star-quad', $female];
        yield 'without a sign' => ['4 5 m mic leads in booth', 4, '5000 mm', 'star-quad', $female];
        yield 'length after' => ['3 mic leads of 2.5 m for hall', 3, '2500 mm', 'star-quad', $female];
        yield 'a comma' => ['mic lead 2,5 m in hall', 1, '2500 mm', 'star-quad', $female];
        yield 'inches, of a bay' => ['12 8 in patch leads in booth', 12, '203.2 mm', 'pair-lapped', 'trs-balanced'];
        yield 'feet' => ['10 feet instrument lead in store', 1, '3048 mm', 'instrument', 'ts-plug-unbalanced'];
        yield 'a network' => [
            '2 m network lead at rack',
            1,
            '2000 mm',
            'cat6-utp-stranded',
            '8p8c-plug-stranded-house',
        ];
    }

    #[DataProvider('leads')]
    public function test_a_lead_is_so_long_and_kept_somewhere(
        string $line,
        int $leads,
        string $length,
        string $cable,
        string $plan,
    ): void {
        $guess = self::guess($line);
        self::assertCount($leads, $guess->requests);
        foreach ($guess->requests as $request) {
            self::assertSame(
                [Build::Lead, $length, $cable, [$plan], []],
                [$request->build, $request->length?->canonical(), $request->cable, $request->a->plans, $request->ways],
            );
            self::assertSame($request->a->location, $request->b->location);
            self::assertSame(['0 mm', '0 mm'], [$request->a->tail->canonical(), $request->a->slack->canonical()]);
        }
    }

    public function test_a_lead_is_kept_where_most_are(): void
    {
        $in = self::building();
        $proposer = new Proposer($in->catalogue);
        foreach (['2 m mic lead in booth', '10 m mic lead in store', '5 m mic lead in store'] as $line) {
            foreach (self::guess($line, $in)->requests as $request) {
                $proposal = $proposer->propose($request);
                $in = $in->withRun($proposal->run, $proposal->fittings, $proposal->circuits);
            }
        }
        $next = self::guess('3 m mic lead', $in);
        self::assertSame('store', $next->requests[0]->a->location);
        self::assertSame('where most leads are kept', self::because($next, 'from'));
        self::assertSame(
            ['xlr3-female-cable-balanced', 'xlr3-male-cable-balanced'],
            [$next->requests[0]->a->plans[0] ?? '', $next->requests[0]->b->plans[0] ?? ''],
            'each end as that end of the other leads',
        );
        $line = self::guess('mic hall > rack', $in)->requests[0];
        self::assertSame('pair-foil', $line->cable, 'leads are no habit of a building');
    }

    /** @return iterable<string, array{string, string, string}> line, field, part of the remedy */
    public static function unclear(): iterable
    {
        yield 'no length' => ['mic lead in store', 'length', 'how long'];
        yield 'no place' => ['10 m mic lead', 'from', 'Say where the lead is kept'];
        yield 'no such place' => ['10 m mic lead in cellar', 'from', 'Make it'];
        yield 'mains' => ['2 m mains lead in store', 'signal', 'not guessed'];
        yield 'no signal' => ['2 m black lead in store', 'signal', 'Say which signal'];
        yield 'none' => ['0 mic hall > rack', 'line', 'one at least'];
        yield 'no lead' => ['0 x 2 m mic lead in store', 'line', 'one at least'];
        yield 'too many' => ['97 video hall > rack', 'cable', '96 at most'];
        yield 'more than any cable carries' => ['49 mic hall > rack', 'cable', 'carries 48'];
    }

    #[DataProvider('unclear')]
    public function test_what_is_not_understood_names_the_field_and_the_remedy(
        string $line,
        string $field,
        string $remedy,
    ): void {
        try {
            self::guess($line);
            self::fail('understood');
        } catch (CannotPropose $cannot) {
            self::assertSame($field, $cannot->field);
            self::assertStringContainsString($remedy, $cannot->getMessage());
            self::assertSame($remedy === 'Make it', $cannot->isNoPlace);
        }
    }

    /** A run from the hall to the rack with a connector at both ends. */
    private static function made(string $cable, string $signal, string $plan): RunPlan
    {
        $end = static fn (string $at): Termination => new Termination(
            $at,
            [$plan],
            Length::metres(1),
            Length::zero(),
            Length::millimetres(40),
            1,
            Length::millimetres(300),
        );
        $in = self::building();
        $proposal = (new Proposer($in->catalogue))->propose(
            new RunRequest('X-1', 'X-1', $cable, [$signal], Build::Shop, $end('hall'), $end('rack'), []),
        );
        self::assertNotSame([], $proposal->fittings, $plan.' carries '.$signal.' of '.$cable);

        return RunPlanner::plan(
            $proposal->run,
            $in->withRun($proposal->run, $proposal->fittings, $proposal->circuits),
        );
    }

    public function test_whatever_ships_as_usual_is_there_and_fits(): void
    {
        $shipped = self::shipped();
        self::assertGreaterThan(10, count($shipped));
        $in = self::building();
        $catalogue = $in->catalogue;
        foreach ($shipped as $usual) {
            $signal = $catalogue->signal($usual->signal) ?? self::fail('no signal '.$usual->signal);
            self::assertNotSame('mains', $signal->id, 'whoever joins mains chooses what is joined');
            foreach ($usual->cables as $cable) {
                foreach (array_unique([...$usual->from, ...$usual->to]) as $plan) {
                    $stops = array_filter(
                        self::made($cable, $signal->id, $plan)->findings(),
                        static fn (Finding $finding): bool => $finding->severity === Severity::Stop &&
                            str_starts_with($finding->code, 'fit.'),
                    );
                    self::assertSame([], array_column($stops, 'words'), $plan.' on '.$cable);
                }
            }
            // A balanced line leaves a female connector of the cable by a male one, as pins carry what is sent.
            $genders = array_map(
                static fn (array $plans): Gender => $catalogue->theConnector(
                    $catalogue->theContactPlan($plans[0])->connector,
                )->gender,
                [$usual->from, $usual->to],
            );
            if ($usual->signal === 'aes3' || ($usual->signal === 'analogue' && $usual->words === [])) {
                self::assertSame([Gender::Female, Gender::Male], $genders);
            }
        }
    }

    /** What is a line is none of a lead, and the other way round. */
    public function test_a_line_to_a_place_that_is_called_after_leads_is_a_line(): void
    {
        self::assertNull(QuickText::read('2 mic hall > store of leads')->length);
        self::assertSame('5000 mm', QuickText::read('5 m mic lead')->length?->canonical());
    }
}
