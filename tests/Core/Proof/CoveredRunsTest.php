<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Verdict;

/** A test stays the test of what it covered, whatever that is joined to or parted from afterwards. */
final class CoveredRunsTest extends TestCase
{
    private static function demo(): Installation
    {
        return InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        )->installation;
    }

    /** @param  list<string>  $covers */
    private static function test(
        Installation $in,
        array $covers,
        int $minute,
        Verdict $verdict = Verdict::Passes,
    ): Event {
        $prints = (new Planner())->plan($in)->reliedOn($covers[0]);
        $at = sprintf('2026-03-11T08:%02d:00.000000Z', $minute);

        return new Event(
            sprintf('00000000-0000-4000-8000-0000000000%02d', $minute),
            EventKind::Tested,
            $covers[0],
            null,
            'ines',
            $at,
            $at,
            $prints->for(EventKind::Tested, null),
            says: new TestTaken(verdict: $verdict, covers: count($covers) > 1 ? $covers : []),
        );
    }

    private static function bead(Plan $plan, string $run): BeadState
    {
        foreach ($plan->strand($run) as $bead) {
            if ($bead->stage === Stage::Test) {
                return $bead->state;
            }
        }
        self::fail($run.' is never tested.');
    }

    private static function planned(Installation $in, Event ...$events): Plan
    {
        return (new Planner())->plan($in, new Record($events));
    }

    /** @return array{string, string} two runs that nothing joins, the second one's id before the first one's */
    private static function apart(Installation $in): array
    {
        $alone = array_filter(
            (new Planner())->plan($in)->assemblies,
            static fn ($each): bool => count($each->runs) === 1,
        );
        $ids = array_map(strval(...), array_keys($alone));
        rsort($ids, SORT_STRING);

        return [$ids[0], $ids[count($ids) - 1]];
    }

    private static function joined(Installation $in, string $one, string $other): Installation
    {
        $end = static fn (string $run): string => $in->runs()[$run]->fittings()[0].'/1';

        return $in->changed(['links' => [...$in->links(), new Link($end($one), $end($other))]]);
    }

    public function test_a_run_that_is_joined_to_another_keeps_its_own_test_and_gets_none_of_the_others(): void
    {
        $in = self::demo();
        [$one, $other] = self::apart($in);
        $events = [self::test($in, [$one], 1), self::test($in, [$other], 2, Verdict::Fails)];
        $before = self::planned($in, ...$events);
        self::assertSame(BeadState::Done, self::bead($before, $one));
        self::assertSame(BeadState::Failed, self::bead($before, $other));
        $then = self::joined($in, $one, $other);
        $after = self::planned($then, self::test($then, [$other, $one], 3), ...$events);
        self::assertSame($other, $after->assemblyOf[$one], 'the assembly goes by another run now');
        self::assertSame([$other, $one], $after->assemblies[$other]->runs);
    }

    public function test_what_was_tested_together_is_known_to_have_been_once_it_is_parted(): void
    {
        $in = self::demo();
        [$one, $other] = self::apart($in);
        $joined = self::joined($in, $one, $other);
        $together = self::test($joined, [$other, $one], 5);
        $whole = self::planned($joined, $together);
        self::assertSame(BeadState::Done, self::bead($whole, $one));
        self::assertSame(BeadState::Done, self::bead($whole, $other));
        $parted = self::planned($in, $together);
        self::assertNotSame($parted->assemblyOf[$one], $parted->assemblyOf[$other]);
        // Written down with one of them, it is neither forgotten for the other nor taken for a test of it alone.
        self::assertSame(BeadState::Overtaken, self::bead($parted, $one));
        self::assertSame(BeadState::Overtaken, self::bead($parted, $other));
        $record = new Record([$together]);
        self::assertSame([$together], $record->covering($one));
        self::assertSame([$together], $record->together([$other, $one]), 'once, though both know it');
    }

    public function test_a_test_of_some_is_no_test_of_what_joins_them_later(): void
    {
        $in = self::demo();
        [$one, $other] = self::apart($in);
        $third = array_values(
            array_filter(
                array_map(strval(...), array_keys((new Planner())->plan($in)->assemblies)),
                static fn (string $id): bool => $id !== $one && $id !== $other && $in->runs()[$id]->fittings() !== [],
            ),
        )[0];
        $pair = self::joined($in, $one, $other);
        $all = self::joined($pair, $one, $third);
        $plan = self::planned($all, self::test($pair, [$other, $one], 7));
        self::assertSame(BeadState::Overtaken, self::bead($plan, $one));
        self::assertSame(BeadState::ToDo, self::bead($plan, $third), 'nobody has tested it yet');
    }
}
