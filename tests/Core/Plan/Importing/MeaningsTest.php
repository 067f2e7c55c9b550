<?php

declare(strict_types=1);

namespace Tests\Core\Plan\Importing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Importing\Kind;
use Sartal\Core\Plan\Importing\Meanings;
use Sartal\Core\Plan\Importing\WordLikeness;
use Sartal\Core\Plan\Proposing\Usual;
use Sartal\Core\Plan\Proposing\Usuals;

/** What people write, against what somebody of the trade would take it for: common practice. */
final class MeaningsTest extends TestCase
{
    private static ?Installation $demo = null;

    private static function demo(): Installation
    {
        return self::$demo ??= InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 4).'/database/demo/brackwater.json'),
        )->installation;
    }

    /** With the words that ship. */
    private static function meanings(): Meanings
    {
        $words = (string) file_get_contents(dirname(__DIR__, 4).'/catalogue/words.json');

        return new Meanings(self::demo(), json_decode($words, true, 2, JSON_THROW_ON_ERROR));
    }

    /** @return iterable<string, array{Kind, string, string}> */
    public static function words(): iterable
    {
        yield 'another way to write a category' => [Kind::Cable, 'Cat 6a', 'cat6a-futp'];
        yield 'written together' => [Kind::Cable, 'CAT6A', 'cat6a-futp'];
        yield 'a count of pairs' => [Kind::Cable, '24 way multicore', 'multicore-24'];
        yield 'the one that is used most of two' => [Kind::Cable, 'coax', 'coax-75-mini'];
        yield 'called by what it carries' => [Kind::Cable, 'mic cable', 'pair-foil'];
        yield 'a trade word' => [Kind::Signal, 'Ethernet', 'network'];
        yield 'another spelling' => [Kind::Signal, 'analog audio', 'analogue'];
        yield 'cut short' => [Kind::Place, 'Amp rack 1', 'amp-rack-1'];
        yield 'a letter mistyped' => [Kind::Place, 'Lecturn', 'lectern'];
        yield 'initials' => [Kind::Place, 'FOH', 'front-of-house'];
        yield 'where a device stands' => [Kind::Place, 'Audio converter', 'media-rack'];
        yield 'a connector by poles and gender' => [Kind::Plan, 'XLR5M', 'xlr5-male-dmx'];
        yield 'a connector by another name' => [Kind::Plan, 'RJ45', '8p8c-jack-screened-t568b'];
        yield 'blanks and capitals' => [Kind::Way, '  UNDER-stage   tray ', 'under-stage'];
    }

    #[DataProvider('words')]
    public function test_words_are_taken_for_what_the_trade_means(Kind $kind, string $said, string $id): void
    {
        $meant = self::meanings()->of($kind, $said);
        self::assertSame($id, $meant->id);
        self::assertSame($meant->because === '', $meant->isWritten());
    }

    /** @return iterable<string, array{Kind, string}> */
    public static function unknown(): iterable
    {
        yield 'another number is another thing' => [Kind::Place, 'Stage box 7'];
        yield 'another room' => [Kind::Place, 'Server room'];
        yield 'two that are equally meant' => [Kind::Place, 'hall loudspeaker'];
        yield 'nothing in common' => [Kind::Cable, 'ribbon'];
        yield 'mains cable, however like' => [Kind::Cable, 'mains composite'];
        yield 'a mains connector, however like' => [Kind::Plan, 'power in cable mains'];
        yield 'supply' => [Kind::Signal, 'mains power'];
        yield 'nothing but a mark' => [Kind::Signal, '?'];
    }

    #[DataProvider('unknown')]
    public function test_what_could_be_another_thing_is_not_guessed(Kind $kind, string $said): void
    {
        self::assertSame('', self::meanings()->of($kind, $said)->id);
    }

    /** Before there is any run: what is usual stands in for habit; common practice. */
    public function test_where_there_are_no_runs_what_is_usual_decides(): void
    {
        $none = self::demo()->changed(['runs' => []]);
        self::assertStringContainsString(
            'the smallest that carries',
            (new Meanings($none))->of(Kind::Cable, 'mic cable')->because,
        );
        self::assertSame('', (new Meanings($none))->of(Kind::Plan, 'XLR 3 female')->id);
        $analogue = new Usual(
            'analogue',
            false,
            [],
            ['gone', 'star-quad', 'pair-foil'],
            ['xlr3-female-cable-balanced'],
            ['xlr3-male-cable-balanced'],
            false,
            'a microphone line lies on star-quad',
        );
        $meanings = new Meanings($none, usuals: new Usuals([$analogue]));
        $mic = $meanings->of(Kind::Cable, 'mic cable');
        self::assertSame(
            ['star-quad', 'for Balanced analogue audio: a microphone line lies on star-quad'],
            [$mic->id, $mic->because],
        );
        self::assertSame('xlr3-female-cable-balanced', $meanings->of(Kind::Plan, 'XLR 3 female')->id);
    }

    public function test_mains_is_found_as_it_is_written(): void
    {
        $meanings = self::meanings();
        self::assertTrue($meanings->of(Kind::Signal, 'mains')->isWritten());
        self::assertTrue($meanings->of(Kind::Cable, 'mains AND signal composite')->isWritten());
    }

    /** Every name in the demo is found by itself, in any case, unless several things have it. */
    public function test_every_name_means_its_own(): void
    {
        $meanings = self::meanings();
        $checked = 0;
        foreach (Kind::cases() as $kind) {
            $names = $meanings->names($kind);
            $count = array_count_values(array_map(mb_strtolower(...), $names));
            foreach ($names as $id => $name) {
                if ($count[mb_strtolower($name)] === 1) {
                    self::assertSame((string) $id, $meanings->of($kind, mb_strtoupper($name))->id, $name);
                    $checked++;
                }
            }
        }
        self::assertGreaterThan(90, $checked);
    }

    /** Mistyped by one letter, a long word is nearest to itself: swapped letters by a generator of its own. */
    public function test_a_slip_of_the_finger_changes_nothing(): void
    {
        $names = ['a' => 'Conference', 'b' => 'Reception', 'c' => 'Projection', 'd' => 'Mezzanine', 'e' => 'Workshop'];
        $likeness = new WordLikeness($names);
        $seed = 9;
        foreach ($names as $id => $name) {
            for ($i = 0; $i < 20; $i++) {
                $seed = ($seed * 1103515245 + 12345) % 2147483648;
                $at = 1 + $seed % (strlen($name) - 2);
                $slip = substr($name, 0, $at).chr(97 + ($seed >> 8) % 26).substr($name, $at + 1);
                self::assertSame($id, array_key_first($likeness->of($slip)), $slip);
            }
        }
    }
}
