<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\ReadingCodec;
use Sartal\Core\Given\Installation\InstrumentKind;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Nearness;
use Sartal\Core\Proof\Testing\Question;
use Tests\Support\Bench;

/** What a method says of itself, and that whoever compares by it comes to the same. */
final class MethodCardTest extends TestCase
{
    private const TABLE = __DIR__.'/../../Script/agreement.json';

    /** @return list<float|string|list<string>> near each other, at the edges, and beyond measure */
    private static function values(): array
    {
        $values = [INF, NAN, 'clean', 'hum', [], ['t:a/1'], ['t:a/1', 't:b/1']];
        foreach ([0.0, 0.0004, 0.001, 0.0011, 0.04, 0.05, 0.06, 0.1, 0.5, 0.8, 0.999, 1.0, 1.2, 1.25, 2.0] as $number) {
            $values[] = $number;
        }
        foreach ([10.0, 11.5, 12.5, 90.0, 103.5, 498.0, 1000.0, 1e6] as $number) {
            $values[] = $number;
        }

        return $values;
    }

    /** @return array<string, Nearness> */
    private static function kinds(): array
    {
        $kinds = [];
        foreach (Method::cases() as $method) {
            $kinds[$method->value] = Methods::card($method)->near;
        }

        return $kinds;
    }

    /**
     * The same table is run by the browser's comparison (tests/Script/agreement.test.ts).
     * To write it anew: AGREEMENT=write vendor/bin/phpunit --filter MethodCardTest.
     */
    public function test_the_table_that_the_browser_is_held_to_is_what_the_server_says(): void
    {
        $table = [];
        foreach (self::kinds() as $method => $near) {
            $lines = [];
            foreach (self::values() as $expected) {
                foreach (self::values() as $read) {
                    if ($near->agree($expected, $read)) {
                        $lines[] = [ReadingCodec::value($expected), ReadingCodec::value($read)];
                    }
                }
            }
            $table[$method] = [
                'near' => array_filter([
                    'within' => $near->share === null ? null : [$near->share, $near->least],
                    'bands' => $near->bands,
                ]),
                'agree' => $lines,
            ];
        }
        $json = json_encode(
            ['values' => array_map(ReadingCodec::value(...), self::values()), 'methods' => $table],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
        );
        if (getenv('AGREEMENT') === 'write') {
            file_put_contents(self::TABLE, $json."\n");
        }
        self::assertTrue(
            file_get_contents(self::TABLE) === $json."\n",
            'What is near enough has changed. See that it should have, then write the table anew.',
        );
    }

    public function test_the_edges_are_where_the_trade_has_them(): void
    {
        $insulation = Methods::card(Method::Insulation)->near;
        self::assertTrue($insulation->agree(INF, 1.0), '1 MΩ will do: IEC 60364-6, from memory');
        self::assertFalse($insulation->agree(INF, 0.999));
        self::assertFalse($insulation->agree(0.5, 0.0005), 'a leak is no bridge');
        self::assertTrue($insulation->agree(0.5, 0.02));
        $ohms = Methods::card(Method::Ohms)->near;
        self::assertTrue($ohms->agree(1.0, 1.2), 'within a fifth: common practice');
        self::assertFalse($ohms->agree(1.0, 1.21));
        self::assertTrue($ohms->agree(0.01, 0.06), 'no meter splits less than 0.05 Ω: common practice');
        self::assertFalse($ohms->agree(0.01, 0.0601));
        self::assertFalse($ohms->agree(1.0, INF));
        self::assertTrue($ohms->agree(INF, INF));
        self::assertTrue($ohms->agree(NAN, 3.0), 'what cannot be foreseen is not wrong');
        self::assertFalse($ohms->agree(1.0, 'clean'));
        self::assertFalse(Nearness::exactly()->agree(['a'], ['a', 'b']));
    }

    public function test_every_method_says_what_is_done_what_is_good_and_who_can_read_it(): void
    {
        $names = [];
        foreach (Method::cases() as $method) {
            $card = Methods::card($method);
            self::assertNotSame('', $card->words);
            self::assertNotSame('', $card->limit);
            self::assertGreaterThan(0.0, $card->minutes);
            $instruments = array_filter(
                InstrumentKind::cases(),
                static fn (InstrumentKind $kind): bool => in_array($method, $kind->methods(), true),
            );
            self::assertSame($card->opens, $instruments === [], 'what is looked at needs no instrument');
            $names[] = $card->name;
        }
        self::assertCount(count($names) - 1, array_filter(array_unique($names)), 'shells go with the map');
    }

    public function test_each_answer_has_a_unit_where_it_is_a_number(): void
    {
        $asked = [];
        foreach ([Bench::category(), Bench::microphone()] as $bench) {
            $senses = $bench->expectation()->senses();
            foreach (Method::cases() as $method) {
                foreach ($senses->questions($method) as $question) {
                    $value = $senses->expected($question);
                    self::assertSame(is_float($value), $senses->scale($question)->unit !== '', $method->value);
                    $asked[$method->value.$senses->what($question)] = $senses->scale($question)->unit;
                }
            }
        }
        self::assertSame('m', $asked['certifier']);
        self::assertSame('ns', $asked['certifierdelay']);
        self::assertSame('Ω', $asked['certifierloop']);
        self::assertSame('nF', $asked['capacitance']);
        $question = new Question(Method::Certifier, '1-2#loop');
        $senses = Bench::category()->expectation()->senses();
        self::assertSame('there and back', $senses->asks($question));
        self::assertFalse($senses->counts($question), 'the lengths will do');
        self::assertTrue($senses->counts(new Question(Method::Certifier, '1-2')));
    }
}
