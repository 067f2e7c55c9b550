<?php

declare(strict_types=1);

namespace Tests\Core\File;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\Fields;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Proof\Record\AsBuilt;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\ParticularsOf;
use Sartal\Core\Proof\Record\Reply;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Verdict;

/** The first version took every field with every kind: whatever a file of it says is there again, byte for byte. */
final class EventCodecTest extends TestCase
{
    /** What an event could say in the first version, in the order in which it was written (docs/formats.md). */
    private const FIELDS = [
        'side' => 'B',
        'by' => 'ines',
        'at' => '2026-03-09T08:00:00.000000Z',
        'received' => '2026-03-09T08:00:01.250000Z',
        'fingerprint' => '0123456789abcdef',
        'instrument' => 'loom tester 2',
        'note' => 'kept',
        'reading' => ['lights' => ['t:A-1.a1/1' => ['t:A-1.b1/1']]],
        'verdict' => 'fails',
        'cut' => ['reel' => 'r1', 'length' => '12400 mm', 'from' => 3, 'planned' => true],
        'step' => 'A-1|cut',
        'took' => 20.5,
        'of' => '00000000-0000-4000-8000-000000000002',
        'flag' => 'damaged',
        'reopens' => ['A-1|cut', '101'],
        'scraps' => ['101' => 2, 'plug' => 1],
        'undoes' => 'joined',
        'picture' => 'b.jpg',
        'stage' => 'installed',
        'joints' => ['red>F.1'],
        'built' => ['length' => '12 m', 'ways' => ['w1']],
        'covers' => ['A-1', '101'],
        'rests' => ['00000000-0000-4000-8000-000000000007'],
        'flaws' => ['dull' => 'rework'],
    ];

    private const ALWAYS = ['side', 'by', 'at', 'received'];

    private static function decode(mixed $row): Event
    {
        $problems = new Problems();
        $fields = Fields::from($row, 'record.0', $problems);
        $event = EventCodec::decode($fields);
        $fields->done();
        $problems->settle();

        return $event;
    }

    /** @return iterable<string, array{EventKind}> */
    public static function kinds(): iterable
    {
        foreach (EventKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_whatever_was_said_with_whatever_kind_is_written_as_it_came(EventKind $kind): void
    {
        $chance = new Randomizer(new Mt19937(crc32($kind->value)));
        for ($i = 0; $i < 60; $i++) {
            $row = ['id' => '00000000-0000-4000-8000-000000000001', 'kind' => $kind->value, 'run' => '101'];
            foreach (self::FIELDS as $field => $value) {
                if (in_array($field, self::ALWAYS, true) || $chance->getInt(0, 2) === 0) {
                    $row[$field] = $value;
                }
            }
            $json = json_encode($row, JSON_THROW_ON_ERROR);
            $event = self::decode(json_decode($json, true, flags: JSON_THROW_ON_ERROR));
            self::assertSame(
                self::canonical($json),
                json_encode(EventCodec::encode($event), JSON_THROW_ON_ERROR),
                $kind->value.' '.$i,
            );
            if ($event->says !== null) {
                self::assertSame(ParticularsOf::kind($kind), $event->says::class);
            }
        }
    }

    /** Lengths are written in millimetres, as ever. */
    private static function canonical(string $json): string
    {
        return str_replace('"12 m"', '"12000 mm"', $json);
    }

    public function test_each_kind_says_its_own_and_no_other(): void
    {
        $of = static fn (string $kind): Event => self::decode(
            ['id' => '00000000-0000-4000-8000-000000000001', 'kind' => $kind, 'run' => 'A-1'] + self::FIELDS,
        );
        self::assertSame(Verdict::Fails, $of('tested')->verdict());
        self::assertSame(['A-1', '101'], $of('tested')->covers());
        self::assertSame(TestStage::Installed, $of('tested')->stage());
        self::assertSame('', $of('tested')->of());
        self::assertSame(self::FIELDS['of'], $of('settled')->of());
        self::assertSame(self::FIELDS['of'], $of('cut')->of());
        self::assertSame('12400 mm', $of('cut')->cut()?->length->canonical());
        self::assertNull($of('cut')->verdict());
        self::assertSame(['red>F.1'], $of('remade')->joints());
        self::assertSame([], $of('closed')->joints());
        self::assertSame(['w1'], $of('trimmed')->built()?->ways);
        self::assertSame(EventKind::Joined, $of('taken-back')->undoes());
        self::assertSame(['plug' => 1, 101 => 2], array_reverse($of('reworked')->rework()->scraps ?? [], true));
        self::assertNull($of('prepared')->rework(), 'what it throws away counts where work is sent back');
        self::assertSame(['dull' => 'rework'], $of('inspected')->flaws());
        self::assertSame('b.jpg', $of('pictured')->picture());
        self::assertSame('loom tester 2', $of('installed')->instrument, 'anything can be done with an instrument');
    }

    /** @return iterable<string, array{string, mixed, string}> */
    public static function slips(): iterable
    {
        yield 'a verdict that is none' => ['verdict', 'perhaps', 'should be one of: passes'];
        yield 'a stage that is none' => ['stage', 'later', 'should be one of: '];
        yield 'a flag that is none' => ['flag', 'odd', 'should be one of: damaged'];
        yield 'nothing undone' => ['undoes', 'dreamt', 'should be one of: cut'];
        yield 'half a plug' => ['scraps', ['plug' => 0.5], 'should be a whole number from 1.'];
        yield 'a piece of nothing' => ['cut', ['length' => '0 mm'], 'must be longer than nothing'];
        yield 'joints that are no list' => ['joints', 'red', 'should be'];
        yield 'a length that is none' => ['built', ['length' => 'long'], ''];
    }

    /** With the kind that says it, and with one that does not. */
    #[DataProvider('slips')]
    public function test_what_is_wrong_is_named_with_whatever_kind(string $field, mixed $value, string $words): void
    {
        foreach (EventKind::cases() as $kind) {
            try {
                self::decode(
                    [
                        'id' => '00000000-0000-4000-8000-000000000001',
                        'kind' => $kind->value,
                        'run' => 'A-1',
                        $field => $value,
                    ] + array_intersect_key(self::FIELDS, array_flip(self::ALWAYS)),
                );
                self::fail($kind->value.' took it');
            } catch (InvalidDocument $wrong) {
                self::assertStringContainsString($field, $wrong->getMessage());
                self::assertStringContainsString($words, $wrong->getMessage());
            }
        }
    }

    public function test_nothing_says_what_its_kind_does_not(): void
    {
        $event = static fn (EventKind $kind): Event => new Event(
            '1',
            $kind,
            'A-1',
            null,
            'x',
            '',
            '',
            '',
            says: new Reply('2'),
        );
        self::assertSame('2', $event(EventKind::Answered)->of());
        self::assertNull($event(EventKind::Lifted)->test());
        $this->expectException(\InvalidArgumentException::class);
        $this->expectExceptionMessage('"closed"');
        $event(EventKind::Closed);
    }

    public function test_what_is_filed_is_what_was_sent_but_for_what_the_server_says(): void
    {
        $sent = self::decode(
            ['id' => '00000000-0000-4000-8000-000000000001', 'kind' => 'tested', 'run' => 'A-2'] + self::FIELDS,
        );
        $filed = $sent->filed('A-1', null, '', 'ff', new TestTaken(verdict: Verdict::Passes));
        self::assertSame(
            ['A-1', null, '', 'ff', Verdict::Passes, 'ines', 'kept', $sent->strays],
            [
                $filed->run,
                $filed->side,
                $filed->step,
                $filed->fingerprint,
                $filed->verdict(),
                $filed->by,
                $filed->note,
                $filed->strays,
            ],
        );
        self::assertInstanceOf(
            AsBuilt::class,
            (new Event('1', EventKind::Pulled, 'A-1', null, 'x', '', '', '', says: new AsBuilt()))->says,
        );
    }

    /** @return iterable<string, array{string, ?string}> */
    public static function times(): iterable
    {
        yield 'as it is written' => ['2026-03-09T08:00:00.000001Z', '2026-03-09T08:00:00.000001Z'];
        yield 'to the second' => ['2026-03-09T08:00:00Z', '2026-03-09T08:00:00.000000Z'];
        yield 'to the millisecond' => ['2026-03-09T08:00:00.25Z', '2026-03-09T08:00:00.250000Z'];
        yield 'of another zone' => ['2026-03-09T00:30:00.000000+01:00', '2026-03-08T23:30:00.000000Z'];
        yield 'a leap day' => ['2028-02-29T23:59:59.999999Z', '2028-02-29T23:59:59.999999Z'];
        // Days that there are not run on into the next month, as ever.
        yield 'a day too many' => ['2026-02-29T08:00:00.000000Z', '2026-03-01T08:00:00.000000Z'];
        yield 'an hour too many' => ['2026-03-09T25:00:00.000000Z', null];
        yield 'a month too many' => ['2026-13-09T08:00:00.000000Z', null];
        yield 'no zone' => ['2026-03-09T08:00:00.000000', null];
        yield 'words' => ['yesterday', null];
    }

    #[DataProvider('times')]
    public function test_times_are_kept_to_the_microsecond_in_utc(string $text, ?string $kept): void
    {
        $row =
            ['id' => '00000000-0000-4000-8000-000000000001', 'kind' => 'closed', 'run' => 'A-1', 'at' => $text] +
            self::FIELDS;
        if ($kept === null) {
            $this->expectException(InvalidDocument::class);
            $this->expectExceptionMessage('record.0.at');
        }
        self::assertSame($kept, self::decode($row)->at);
    }
}
