<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Labelling\Marked;
use Sartal\Core\Ends\Labelling\Rotation;
use Sartal\Core\Given\Schools\LabelTurn;

/** Common practice: what digits and letters become when a label is read upside down. */
final class RotationTest extends TestCase
{
    /** @return iterable<array{string, ?string}> */
    public static function turned(): iterable
    {
        foreach (
            [
                '6' => '9',
                '66' => '99',
                '16' => '91',
                '68' => '89',
                '8' => '8',
                '0' => '0',
                '11' => '11',
                '88' => '88',
                '69' => '69',
                '96' => '96',
                'M' => 'W',
                'HINOSXZ' => 'ZXSONIH',
                'x91' => '16x',
                'un' => 'un',
                'bun' => 'unq',
                'pod-6' => '9-pod',
                'mix' => null,
                'mw' => 'mw',
                'A(6)' => null,
                '(16)' => '(91)',
                '6→8' => '8←9',
            ] as $text => $becomes
        ) {
            yield (string) $text => [(string) $text, $becomes];
        }
        foreach (['7', 'A', '17', 'A-6'] as $text) {
            yield [$text, null];
        }
    }

    #[DataProvider('turned')]
    public function test_turning(string $text, ?string $becomes): void
    {
        self::assertSame($becomes, Rotation::read($text));
    }

    public function test_turning_twice_gives_the_text_again(): void
    {
        for ($n = 0; $n < 10_000; $n++) {
            $turned = Rotation::read((string) $n);
            self::assertTrue($turned === null || Rotation::read($turned) === (string) $n);
        }
    }

    /**
     * Every code of up to four digits in use at once: marked by any of the practices, none is another one upside down.
     */
    #[DataProvider('practices')]
    public function test_no_clash_is_left_over_all_codes_of_up_to_four_digits(LabelTurn $rule): void
    {
        $codes = [];
        for ($digits = 1; $digits <= 4; $digits++) {
            for ($n = 0; $n < 10 ** $digits; $n++) {
                $codes[] = str_pad((string) $n, $digits, '0', STR_PAD_LEFT);
            }
        }
        $clashes = Rotation::clashes($codes);
        self::assertGreaterThan(700, count($clashes));
        $printed = $turned = [];
        foreach ($codes as $code) {
            $marked = isset($clashes[$code]) ? Marked::as($rule, $code) : null;
            $text = $marked->text ?? $code;
            $line = $marked?->underlined === true ? 'below' : '';
            $word = $marked->word ?? '';
            $printed[$text.'|'.$line.'|'.$word] = $code;
            $over = Rotation::read($text);
            if ($over !== null && $over !== $text) {
                $turned[
                    $over.
                        '|'.
                        ($line === '' ? '' : 'above').
                        '|'.
                        ($word === '' ? '' : Rotation::read($word) ?? 'unreadable')
                ] = $code;
            }
        }
        self::assertSame([], array_intersect_key($turned, $printed));
    }

    /** @return iterable<string, array{LabelTurn}> */
    public static function practices(): iterable
    {
        foreach (LabelTurn::cases() as $rule) {
            yield $rule->value => [$rule];
        }
    }

    /**
     * Every text of up to three signs that turn, letters of either case among them: marked by any of the practices,
     * none is another one upside down. What a sign turns into is taken from here, not from the table of the code.
     */
    #[DataProvider('practices')]
    public function test_no_clash_is_left_among_letters(LabelTurn $rule): void
    {
        $turns = ['b' => 'q', 'd' => 'p', 'n' => 'u', 'm' => 'w', 'M' => 'W', '6' => '9', 'o' => 'o', 'X' => 'X'];
        $turns += array_flip($turns);
        $texts = $signs = array_map(strval(...), array_keys($turns));
        for ($length = 2; $length <= 3; $length++) {
            $before = array_filter($texts, static fn (string $text): bool => strlen($text) === $length - 1);
            foreach ($before as $text) {
                foreach ($signs as $sign) {
                    $texts[] = $text.$sign;
                }
            }
        }
        $turned = static fn (string $text): string => strrev(strtr($text, $turns));
        $clashes = Rotation::clashes($texts);
        $printed = [];
        foreach ($texts as $text) {
            self::assertSame($turned($text) === $text ? null : $turned($text), $clashes[$text] ?? null, $text);
            $marked = isset($clashes[$text]) ? Marked::as($rule, $text) : null;
            $printed[$text] = [$marked->text ?? $text, $marked->underlined ?? false, $marked->word ?? ''];
        }
        foreach ($clashes as $text => $other) {
            [$said, $underlined, $word] = $printed[$text];
            // Upside down the line is above, and the words are letters that are no words of another.
            $reads = [Rotation::read($said), $underlined ? 'above' : '', $word === '' ? '' : Rotation::read($word)];
            self::assertNotSame($reads, [$printed[$other][0], '', $printed[$other][2]], $text.' and '.$other);
        }
        self::assertGreaterThan(1000, count($clashes));
    }

    public function test_letters_alone_are_said_as_over_a_radio(): void
    {
        self::assertSame('BRAVO UNIFORM NOVEMBER', Marked::as(LabelTurn::Word, 'bun')->word);
        self::assertSame('x NINE ONE', Marked::as(LabelTurn::Word, 'x91')->word);
        self::assertSame('M - SIX NULL ONE', Marked::as(LabelTurn::Word, 'M-601')->word);
    }

    public function test_only_texts_in_use_clash_and_both_are_named(): void
    {
        self::assertSame([6 => '9', 9 => '6'], Rotation::clashes(['6', '9', '7', '16', '69', '8']));
        self::assertSame([], Rotation::clashes(['6', '16', '66']));
        self::assertSame(['M-601' => '109-W', '109-W' => 'M-601'], Rotation::clashes(['M-601', '109-W']));
    }
}
