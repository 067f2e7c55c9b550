<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\Fields;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problems;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Installation\BareEnd;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Proposing\RunCopy;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;
use Sartal\Core\Work\Bench\Cautions;
use Tests\Support\Bench;

/** Ends that get no connector, on purpose. Common practice. */
final class BareEndsTest extends TestCase
{
    /** @param  list<string>  $plans  of its end B */
    private static function bench(?BareEnd $bare, string $cable = 'pair-foil', array $plans = []): Bench
    {
        $end = static fn (string $location, array $plans, ?BareEnd $bare): Termination => new Termination(
            $location,
            $plans,
            Length::metres(1),
            Length::zero(),
            Length::zero(),
            0,
            Length::zero(),
            $bare,
        );

        return Bench::of(
            new RunRequest(
                'A-1',
                'A-1',
                $cable,
                ['analogue'],
                Build::Shop,
                $end('here', ['xlr3-female-cable-balanced'], null),
                $end('there', $plans, $bare),
                ['tray'],
            ),
        );
    }

    /** @return array<string, array{BareEnd}> */
    public static function ways(): array
    {
        return array_combine(
            array_column(BareEnd::cases(), 'value'),
            array_map(static fn (BareEnd $bare): array => [$bare], BareEnd::cases()),
        );
    }

    #[DataProvider('ways')]
    public function test_what_is_left_on_purpose_is_no_finding_and_is_labelled(BareEnd $bare): void
    {
        $undecided = self::bench(null);
        $bench = self::bench($bare);
        self::assertContains('end.no-leg', Bench::codes($undecided->plan()->findings()));
        self::assertSame(
            array_values(array_diff(Bench::codes($undecided->plan()->findings()), ['end.no-leg'])),
            Bench::codes($bench->plan()->findings()),
        );
        $labels = array_map(
            static fn ($label): string => $label->side->value.$label->leg,
            $bench->plan()->runs['A-1']->labels,
        );
        self::assertContains('B', $labels);
        self::assertSame($bare === BareEnd::Later, $bench->installation->theRun('A-1')->isForLater());
    }

    #[DataProvider('ways')]
    public function test_it_is_written_down_read_back_and_copied(BareEnd $bare): void
    {
        $bench = self::bench($bare);
        $run = $bench->installation->theRun('A-1');
        $read = self::read(RunCodec::encode($run));
        self::assertEquals($run, $read);
        $copy = RunCopy::of($run, $bench->installation, 'A-2', 'A-2');
        self::assertSame([null, $bare], [$copy->proposal->run->a->bare, $copy->proposal->run->b->bare]);
    }

    /** A file of before says nothing of it. */
    public function test_nothing_said_is_not_written(): void
    {
        $written = RunCodec::encode(self::bench(null)->installation->theRun('A-1'));
        self::assertStringNotContainsString('"bare"', (string) json_encode($written));
        self::assertNull(self::read($written)->b->bare);
    }

    public function test_an_end_with_a_connector_is_not_bare(): void
    {
        $run = self::bench(BareEnd::Parked, plans: ['xlr3-male-cable-balanced'])->installation->theRun('A-1');
        self::assertNull($run->b->bare);
        $written = RunCodec::encode($run);
        self::assertIsArray($written['b']);
        $problems = new Problems();
        RunCodec::decode(Fields::from(['b' => ['bare' => 'parked'] + $written['b']] + $written, '', $problems));
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage('b.bare');
        $problems->settle();
    }

    /** Legs that land nowhere are bare too; what lands is not, whatever was said before. */
    public function test_what_is_said_of_an_end_can_always_be_read_again(): void
    {
        $bare = self::bench(BareEnd::Coiled)->installation->theRun('A-1');
        $fitted = self::bench(null, plans: ['xlr3-male-cable-balanced'])->installation->theRun('A-1');
        $loose = $fitted->b->withLegs([new Leg('leg-1', '1', [''], Length::zero(), null)]);
        self::assertFalse($loose->isFitted());
        $said = $fitted->withEnd(Side::B, $loose->lyingAs($bare->b, $loose->legs));
        self::assertSame(BareEnd::Coiled, $said->b->bare);
        self::assertEquals($said, self::read(RunCodec::encode($said)));
        self::assertNull($fitted->b->lyingAs($bare->b, $fitted->b->legs)->bare);
    }

    public function test_bare_mains_are_cautioned(): void
    {
        $catalogue = self::bench(null)->installation->catalogue;
        self::assertSame([], Cautions::bare($catalogue->theCable('pair-foil')));
        $cautions = implode(' ', Cautions::bare($catalogue->theCable('composite')));
        foreach (['licensed', 'local code', 'insulated', 'isolated'] as $word) {
            self::assertStringContainsString($word, $cautions);
        }
    }

    /** @param  array<int|string, mixed>  $written */
    private static function read(array $written): Run
    {
        $problems = new Problems();
        $run = RunCodec::decode(Fields::from(json_decode((string) json_encode($written), true), '', $problems));
        $problems->settle();

        return $run;
    }
}
