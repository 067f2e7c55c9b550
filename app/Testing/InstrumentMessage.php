<?php

declare(strict_types=1);

namespace App\Testing;

use Sartal\Core\File\Fields;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problems;
use Sartal\Core\File\ReadingCodec;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\CertifierSense;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\PairCheck;
use Sartal\Core\Proof\Testing\Question;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Sample;

/**
 * What an instrument says of one assembly (docs/formats.md, "Instruments"),
 * from and into JSON. A message with anything wrong in it is refused whole.
 *
 * @phpstan-import-type PointAt from Points
 *
 * @phpstan-type MessageResult array{
 *     measure: value-of<Method>,
 *     state?: string,
 *     from?: PointAt,
 *     lights?: list<PointAt>,
 *     between?: list<PointAt>,
 *     pair?: list<PointAt>,
 *     colours?: float|list<string>|string,
 *     value?: float|list<string>|string,
 *     unit?: string,
 *     what?: string,
 *     split?: bool,
 * }
 */
final readonly class InstrumentMessage
{
    public const PROTOCOL = 'sartal-instrument';

    public const VERSION = 1;

    /** Results in one message, at most: the largest looms, all against all, in every state of their switches. */
    private const MOST = 20_000;

    /** @param  string  $instrument  its name */
    private function __construct(public Reading $reading, public string $instrument)
    {
    }

    /** @throws InvalidDocument naming everything that is wrong with it */
    public static function decode(mixed $data, UnderTest $test): self
    {
        $problems = new Problems();
        $fields = Fields::from($data, 'message', $problems);
        if ($fields->text('protocol', '') !== self::PROTOCOL || $fields->raw('version') !== self::VERSION) {
            $fields->wrong(
                'protocol',
                is_array($data) ? $data['protocol'] ?? null : null,
                sprintf('should be "%s", version %d.', self::PROTOCOL, self::VERSION),
                null,
            );
            $problems->settle();
        }
        $instrument = $fields->child('instrument');
        $name = $instrument->name('name');
        $instrument->text('kind', '');
        $instrument->text('number', '');
        $instrument->done();
        $fields->text('taken', '');
        $fields->text('assembly', '');
        $results = $fields->raw('results');
        if (! is_array($results) || ! array_is_list($results) || count($results) > self::MOST) {
            $fields->wrong(
                'results',
                is_array($results) ? count($results) : $results,
                sprintf('should be a list of no more than %d results.', self::MOST),
                null,
            );
            $problems->settle();
        }
        $points = new Points($test);
        $pairs = self::pairs($test);
        $samples = $fields->each('results', static fn (Fields $each): Sample => self::sample($each, $points, $pairs));
        $fields->done();
        $problems->settle();
        $reading = Reading::ofSamples($samples);
        Known::check($reading, $test->expectation());

        return new self($reading, $name);
    }

    /** @param  array<int|string, string>  $pairs */
    private static function sample(Fields $fields, Points $points, array $pairs): Sample
    {
        $method = $fields->choice('measure', Method::class);
        $from = static fn (): string => $points->node($fields->child('from'));
        $pair = static fn (): string => self::pair($fields, $fields->each('pair', $points->node(...)), $pairs);
        [$at, $value] = match ($method) {
            Method::Map, Method::Shells, Method::All, Method::Switches => [
                $from(),
                self::sorted($fields->each('lights', $points->node(...))),
            ],
            Method::EyesA, Method::EyesB => [$from(), self::sorted($fields->texts('colours'))],
            Method::Wiggle => [$from(), $fields->name('value')],
            Method::Ohms, Method::Insulation, Method::Capacitance => [
                implode('|', $fields->each('between', $points->node(...))),
                self::number($fields),
            ],
            Method::Certifier => [
                CertifierSense::question($pair(), $fields->text('what', CertifierSense::LENGTH)),
                self::number($fields),
            ],
            Method::Noise => [$pair(), $fields->name('value')],
            Method::Pairs => [$pair(), $fields->flag('split') ? PairCheck::SPLIT : PairCheck::TOGETHER],
        };
        $sample = new Sample(new Question($method, $at, $fields->text('state', '')), $value);
        $fields->done();

        return $sample;
    }

    /** @return MessageResult one result, as an instrument says it */
    public static function result(Sample $sample, Points $points, UnderTest $test): array
    {
        $question = $sample->question;
        $pairs = array_column($test->expectation()->setup->pairs, 'nodes', 'id');
        $nodes = $pairs[CertifierSense::pair($question->at)] ?? $test->expectation()->senses()->nodes($question);
        $value = ReadingCodec::value($sample->value);
        $point = $points->point(...);

        /** @var MessageResult */
        return ['measure' => $question->method->value] +
            ($question->state === '' ? [] : ['state' => $question->state]) +
            match ($question->method) {
                Method::Map, Method::Shells, Method::All, Method::Switches => [
                    'from' => $point($question->at),
                    'lights' => array_map($point, is_array($value) ? $value : []),
                ],
                Method::EyesA, Method::EyesB => ['from' => $point($question->at), 'colours' => $value],
                Method::Wiggle => ['from' => $point($question->at), 'value' => $value],
                Method::Ohms, Method::Insulation, Method::Capacitance => [
                    'between' => array_map($point, $nodes),
                    'value' => $value,
                    'unit' => Methods::card($question->method)->unit,
                ],
                Method::Certifier => [
                    'pair' => array_map($point, $nodes),
                    'what' => CertifierSense::asked($question->at),
                    'value' => $value,
                ],
                Method::Noise => ['pair' => array_map($point, $nodes), 'value' => $value],
                Method::Pairs => ['pair' => array_map($point, $nodes), 'split' => $value === PairCheck::SPLIT],
            };
    }

    /** @return array<int|string, string> contacts, sorted and joined → pair id */
    private static function pairs(UnderTest $test): array
    {
        $pairs = [];
        foreach ($test->expectation()->setup->pairs as $pair) {
            $pairs[self::pairKey($pair->nodes)] = $pair->id;
        }

        return $pairs;
    }

    /** @param  list<string>  $nodes */
    private static function pairKey(array $nodes): string
    {
        sort($nodes, SORT_STRING);

        return implode("\n", $nodes);
    }

    /**
     * @param  list<string>  $nodes
     * @param  array<int|string, string>  $pairs
     */
    private static function pair(Fields $fields, array $nodes, array $pairs): string
    {
        return $pairs[self::pairKey($nodes)] ?? $fields->wrong('pair', count($nodes), 'is no pair here.', '');
    }

    private static function number(Fields $fields): float
    {
        $fields->text('unit', '');
        $value = $fields->raw('value');
        if ($value === 'open') {
            return INF;
        }

        return (is_int($value) || is_float($value)) && $value >= 0 && $value <= 1e9
            ? (float) $value
            : $fields->wrong('value', $value, 'should be a number from 0, or "open" where nothing conducts.', 0.0);
    }

    /**
     * @param  list<string>  $values
     * @return list<string>
     */
    private static function sorted(array $values): array
    {
        sort($values, SORT_STRING);

        return $values;
    }
}
