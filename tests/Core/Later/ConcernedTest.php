<?php

declare(strict_types=1);

namespace Tests\Core\Later;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Later\Telling\Concerned;
use Sartal\Core\Later\Telling\NoticeKind;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Record\Asking;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\Reply;
use Sartal\Core\Proof\Record\SentBack;
use Sartal\Core\Proof\Record\TakenBack;
use Sartal\Core\Proof\Record\TestSettled;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Verdict;

/** Whom something concerns (common practice of shops). Pia plans, Leo leads, Gus was given the job. */
final class ConcernedTest extends TestCase
{
    private static int $count = 0;

    private static function event(
        EventKind $kind,
        string $by,
        ?Particulars $says = null,
        string $step = '',
        ?Side $side = null,
    ): Event {
        $n = ++self::$count;
        $at = sprintf('2026-03-09T08:%02d:%02d.000000Z', intdiv($n, 60), $n % 60);
        $id = sprintf('00000000-0000-4000-8000-%012d', $n);

        return new Event($id, $kind, 'A-1', $side, $by, $at, $at, '', step: $step, says: $says);
    }

    /**
     * @param  list<Event>  $before
     * @return array<int|string, string> person → kind
     */
    private static function told(Event $event, array $before = []): array
    {
        $told = (new Concerned(['pia', 'leo'], ['leo'], ['gus']))->by($event, $before);
        ksort($told);

        return array_map(static fn (NoticeKind $kind): string => $kind->value, $told);
    }

    /** @return iterable<string, array{list<string>, array<string, string>}> */
    public static function questions(): iterable
    {
        yield 'nobody by name: whoever may answer' => [[], ['leo' => 'asked', 'pia' => 'asked']];
        yield 'somebody who may answer: they alone' => [['pia'], ['pia' => 'asked']];
        yield 'somebody who may not: those who may, too' => [
            ['tom'], ['leo' => 'asked', 'pia' => 'asked', 'tom' => 'asked'],
        ];
        yield 'a colleague and the planner' => [['tom', 'pia'], ['pia' => 'asked', 'tom' => 'asked']];
    }

    /**
     * @param  list<string>  $named
     * @param  array<string, string>  $told
     */
    #[DataProvider('questions')]
    public function test_a_question_reaches_whoever_is_asked(array $named, array $told): void
    {
        self::assertSame($told, self::told(self::event(EventKind::Asked, 'ben', new Asking($named))));
    }

    public function test_whoever_does_it_is_not_told(): void
    {
        self::assertSame(['pia' => 'asked'], self::told(self::event(EventKind::Asked, 'leo')));
        self::assertSame([], self::told(self::event(EventKind::Asked, 'pia', new Asking(['pia']))));
    }

    public function test_an_answer_reaches_whoever_asked_and_ends_the_question(): void
    {
        $question = self::event(EventKind::Asked, 'ben', new Asking(['pia', 'tom']));
        $other = self::event(EventKind::Asked, 'tom');
        $answer = self::event(EventKind::Answered, 'pia', new Reply($question->id));
        self::assertSame(['ben' => 'answered'], self::told($answer, [$question, $other]));
        self::assertSame([$question->id], Concerned::over($answer, [$question, $other]));
    }

    public function test_a_stop_reaches_who_works_there_and_who_leads_and_ends_once_it_is_lifted(): void
    {
        $made = self::event(EventKind::Prepared, 'ben', step: 'A-1|cut');
        $paused = self::event(EventKind::Paused, 'una', step: 'A-1|cut');
        $hold = self::event(EventKind::Held, 'tom');
        self::assertSame(['ben' => 'held', 'gus' => 'held', 'leo' => 'held'], self::told($hold, [$made, $paused]));
        $lifted = self::event(EventKind::Lifted, 'leo', new Reply($hold->id));
        self::assertSame(
            ['ben' => 'held', 'gus' => 'held', 'tom' => 'held'],
            self::told($lifted, [$made, $paused, $hold]),
        );
        self::assertSame([$hold->id], Concerned::over($lifted, [$made, $hold]));
    }

    public function test_what_comes_back_reaches_who_made_it_last(): void
    {
        $first = self::event(EventKind::ContactJoined, 'ben', step: 'A-1|a|join 1');
        $again = self::event(EventKind::ContactJoined, 'una', step: 'A-1|a|join 1');
        $other = self::event(EventKind::ContactJoined, 'tom', step: 'A-1|b|join 1');
        $back = self::event(EventKind::Reworked, 'leo', new SentBack(['A-1|a|join 1']), 'A-1|a|look');
        self::assertSame(['una' => 'sent-back'], self::told($back, [$first, $again, $other]));
    }

    public function test_a_test_reaches_whoever_found_otherwise(): void
    {
        $test = static fn (string $by, Verdict $verdict): Event => self::event(
            EventKind::Tested,
            $by,
            new TestTaken(verdict: $verdict),
        );
        $una = $test('una', Verdict::Passes);
        $tom = $test('tom', Verdict::Passes);
        self::assertSame([], self::told($tom, [$una]), 'who agree need not hear of each other');
        $ben = $test('ben', Verdict::Fails);
        self::assertSame(['tom' => 'contradicted', 'una' => 'contradicted'], self::told($ben, [$una, $tom]));
        self::assertSame([], self::told($test('una', Verdict::Incomplete), [$una, $tom]));
        $settled = self::event(EventKind::Settled, 'leo', new TestSettled($ben->id));
        self::assertSame(
            ['tom' => 'contradicted', 'una' => 'contradicted'],
            self::told($settled, [$una, $tom, $ben]),
        );
        self::assertEqualsCanonicalizing(
            [$una->id, $tom->id, $ben->id],
            Concerned::over($settled, [$una, $tom, $ben]),
        );
    }

    public function test_what_is_overtaken_was_somebodys(): void
    {
        $cut = self::event(EventKind::Cut, 'ben');
        $a = self::event(EventKind::Joined, 'una', side: Side::A);
        $b = self::event(EventKind::Joined, 'tom', side: Side::B);
        $step = self::event(EventKind::ContactJoined, 'pia', step: 'A-1|b|join 1', side: Side::B);
        self::assertSame(
            ['ben' => ['cut' => $cut], 'tom' => ['end-b' => $b]],
            Concerned::overtaken([Stage::Cut, Stage::EndB], [$cut, $a, $b, $step]),
        );
        $back = self::event(EventKind::TakenBack, 'leo', new TakenBack(EventKind::Cut));
        self::assertSame([], Concerned::overtaken([Stage::Cut], [$cut, $back]));
    }

    public function test_what_is_told_is_of_a_kind_that_may_be(): void
    {
        foreach (EventKind::cases() as $kind) {
            if (! Concerned::may($kind)) {
                $event = self::event($kind, 'ben');
                self::assertSame([], self::told($event, [self::event(EventKind::Prepared, 'una')]), $kind->value);
                self::assertSame([], Concerned::over($event, []), $kind->value);
            }
        }
    }
}
