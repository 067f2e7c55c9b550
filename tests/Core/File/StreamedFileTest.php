<?php

declare(strict_types=1);

namespace Tests\Core\File;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\JsonMembers;
use Sartal\Core\File\Problem;
use Sartal\Core\File\StreamedFile;
use Sartal\Core\Proof\Record\Event;

/** A file that is read as it comes brings what it brings as a whole; JSON as in RFC 8259, against PHP's own parser. */
final class StreamedFileTest extends TestCase
{
    private static function demo(): string
    {
        return (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
    }

    /** @return resource */
    private static function stream(string $text)
    {
        $stream = fopen('php://temp', 'w+b');
        self::assertIsResource($stream);
        fwrite($stream, $text);

        return $stream;
    }

    public function test_it_brings_what_the_whole_file_brings(): void
    {
        foreach (['', "\xEF\xBB\xBF", "\n\t "] as $before) {
            $whole = InstallationFile::parse(self::demo());
            $file = StreamedFile::from(self::stream($before.self::demo()."\n"));
            self::assertSame(
                json_encode(FileEncoder::installation($whole->installation)),
                json_encode(FileEncoder::installation($file->installation())),
            );
            self::assertEquals($whole->people, $file->people());
            $by = static fn (Event $event): string => $event->id;
            $events = [...$file->events()];
            self::assertEqualsCanonicalizing(
                array_map(EventCodec::encode(...), $whole->record->events()),
                array_map(EventCodec::encode(...), $events),
            );
            self::assertSame(count($events), count(array_unique(array_map($by, $events))));
        }
    }

    public function test_the_record_may_stand_anywhere_twice_the_same_or_not_at_all(): void
    {
        $data = json_decode(self::demo(), true);
        $count = count($data['record']);
        $first = ['record' => [...$data['record'], $data['record'][3]]] + $data;
        self::assertCount($count, [...StreamedFile::from(self::stream((string) json_encode($first)))->events()]);
        unset($data['record']);
        foreach ([$data, $data + ['record' => null], $data + ['record' => []]] as $none) {
            self::assertCount(0, [...StreamedFile::from(self::stream((string) json_encode($none)))->events()]);
        }
    }

    /** Whatever is wrong with its parts and with its events is said at once, as where it is read as a whole. */
    public function test_it_names_what_the_whole_file_names(): void
    {
        $spoil = [
            static function (array $data): array {
                $data['record'][2]['kind'] = 'guessed';
                $data['record'][5]['run'] = 'no-such-run';
                $data['record'][7]['by'] = 'nobody';
                $data['record'][9]['surprise'] = 1;

                return $data;
            },
            static function (array $data): array {
                $data['ways'][0]['length'] = '-3 m';
                $data['people'][1]['id'] = $data['people'][0]['id'] ?? $data['people'][0]['signIn'];
                $data['record'][4]['id'] = 'x';

                return $data;
            },
            static fn (array $data): array => ['record' => 'all of it'] + $data,
            static fn (array $data): array => ['record' => ['a' => 1]] + $data,
            static fn (array $data): array => ['version' => 2] + $data,
        ];
        foreach ($spoil as $each) {
            $text = (string) json_encode($each(json_decode(self::demo(), true)));
            $paths = static fn (InvalidDocument $wrong): array => array_map(
                static fn (Problem $problem): string => $problem->path,
                $wrong->problems,
            );
            $named = [];
            try {
                InstallationFile::parse($text);
            } catch (InvalidDocument $wrong) {
                $named = $paths($wrong);
            }
            self::assertNotSame([], $named);
            try {
                foreach (StreamedFile::from(self::stream($text))->events() as $event) {
                    unset($event);
                }
                self::fail('It was taken.');
            } catch (InvalidDocument $wrong) {
                self::assertEqualsCanonicalizing($named, $paths($wrong));
            }
        }
    }

    /** 300 objects from a generator of their own, cut into pieces of every length that hurts. */
    public function test_members_and_items_are_those_of_the_parser_wherever_the_text_is_cut(): void
    {
        for ($seed = 1; $seed <= 300; $seed++) {
            $dice = new Randomizer(new Mt19937($seed));
            $object = [];
            foreach (range(0, $dice->getInt(0, 4)) as $i) {
                $object['m'.$i.self::text($dice)] = self::value($dice, 4);
            }
            $items = array_map(static fn (): mixed => self::value($dice, 3), range(0, $dice->getInt(0, 5)));
            $object['record'] = $items;
            $object['last'] = $dice->getInt(0, 9);
            $text = (string) json_encode($object, $seed % 2 === 0 ? JSON_PRETTY_PRINT : JSON_UNESCAPED_UNICODE);
            $json = new JsonMembers(self::stream($text), max(1, $seed % 17));
            [$members, $place] = $json->all('record');
            $expected = json_decode($text, true);
            self::assertIsInt($place);
            self::assertSame($expected['record'], [...$json->items($place)], 'seed '.$seed);
            unset($expected['record']);
            self::assertSame($expected, $members, 'seed '.$seed);
        }
    }

    private static function text(Randomizer $dice): string
    {
        $marks = ['"', '\\', '{', '}', '[', ']', ',', ':', ' ', 'é', '測', "\n", '\\"', 'a', "\u{1F50C}"];

        $mark = static fn (): string => $marks[$dice->getInt(0, 14)];

        return implode('', array_map($mark, range(0, $dice->getInt(0, 7))));
    }

    private static function value(Randomizer $dice, int $deep): mixed
    {
        return match ($dice->getInt(0, $deep > 0 ? 7 : 5)) {
            0 => null,
            1 => $dice->getInt(0, 1) === 1,
            2 => $dice->getInt(-1000, 1000),
            3 => $dice->getInt(-1000, 1000) / 8,
            4, 5 => self::text($dice),
            6 => array_map(static fn (): mixed => self::value($dice, $deep - 1), range(0, $dice->getInt(0, 3))),
            default => ['k'.self::text($dice) => self::value($dice, $deep - 1), 'l' => self::value($dice, $deep - 1)],
        };
    }

    /** @return array<string, array{string}> */
    public static function broken(): array
    {
        return [
            'nothing' => [''],
            'a list' => ['[1]'],
            'a text' => ['"a"'],
            'no end' => ['{"a": [1, 2'],
            'no end of a text' => ['{"a": "b'],
            'no name' => ['{1: 2}'],
            'no colon' => ['{"a" 2}'],
            'no comma' => ['{"a": 1 "b": 2}'],
            'a comma too many' => ['{"a": 1,}'],
            'a word' => ['{"a": yes}'],
            'no value' => ['{"a": }'],
            'the wrong end' => ['{"a": [1}}'],
            'more behind it' => ['{"a": 1} {}'],
            'no comma between items' => ['{"record": [1 2]}'],
            'a comma too many in a list' => ['{"record": [1,]}'],
            'a broken item' => ['{"record": [{"a": }]}'],
            'no UTF-8' => ["{\"a\": \"\xB1\"}"],
        ];
    }

    #[DataProvider('broken')]
    public function test_what_is_no_json_is_named_with_its_place(string $text): void
    {
        self::assertNull(json_decode($text === '[1]' || $text === '"a"' ? '' : $text));
        try {
            $json = new JsonMembers(self::stream($text));
            [, $place] = $json->all('record');
            if ($place !== null) {
                foreach ($json->items($place) as $item) {
                    unset($item);
                }
            }
            self::fail('It was taken.');
        } catch (InvalidDocument $wrong) {
            self::assertSame('file', $wrong->problems[0]->path);
            self::assertStringContainsString('is not JSON', $wrong->problems[0]->words);
        }
    }

    /** A record of 40 MB takes no more room than one of a tenth of it: the events are never held together. */
    public function test_the_room_it_takes_does_not_follow_the_record(): void
    {
        $data = json_decode(self::demo(), true);
        $event = $data['record'][0];
        $peak = [];
        foreach ([10_000, 100_000] as $count) {
            unset($data['record']);
            $stream = self::stream(substr((string) json_encode($data), 0, -1).',"record":[');
            fseek($stream, 0, SEEK_END);
            for ($i = 0; $i < $count; $i++) {
                $id = sprintf('%08x-0000-4000-8000-000000000000', $i);
                $one = json_encode(['id' => $id, 'note' => str_repeat('x', 200)] + $event);
                fwrite($stream, ($i === 0 ? '' : ',').$one);
            }
            fwrite($stream, ']}');
            gc_collect_cycles();
            memory_reset_peak_usage();
            $before = memory_get_usage();
            $seen = 0;
            foreach (StreamedFile::from($stream)->events() as $each) {
                $seen += $each->note === '' ? 0 : 1;
            }
            self::assertSame($count, $seen);
            $peak[] = memory_get_peak_usage() - $before;
            fclose($stream);
        }
        // What grows is the ids that were seen, some 100 octets each.
        self::assertLessThan(12_000_000, $peak[1] - $peak[0]);
    }
}
