<?php

declare(strict_types=1);

namespace App\Testing;

use Sartal\Core\Document\Fields;
use Sartal\Core\Document\InvalidDocument;
use Sartal\Core\Document\Problems;
use Sartal\Core\Document\ReadingCodec;
use Sartal\Core\Installation\Method;
use Sartal\Core\Testing\CertifierSense;
use Sartal\Core\Testing\Question;
use Sartal\Core\Testing\Reading;
use Sartal\Core\Testing\Sample;

/**
 * What an instrument says of one assembly (docs/formats.md, "Instruments"),
 * from and into JSON. A message with anything wrong in it is refused whole.
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
        $problems = new Problems;
        $fields = Fields::of($data, 'message', $problems);
        if ($fields->text('protocol', '') !== self::PROTOCOL || $fields->raw('version') !== self::VERSION) {
            $fields->wrong('protocol', is_array($data) ? $data['protocol'] ?? null : null, sprintf('should be "%s", version %d.', self::PROTOCOL, self::VERSION), null);
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
            $fields->wrong('results', is_array($results) ? count($results) : $results, sprintf('should be a list of no more than %d results.', self::MOST), null);
            $problems->settle();
        }
        $points = new Points($test);
        $pairs = self::pairs($test);
        $lights = $samples = [];
        $splits = null;
        $fields->each('results', static function (Fields $each) use ($points, $pairs, &$lights, &$splits, &$samples): void {
            $method = $each->choice('measure', Method::class);
            $state = $each->text('state', '');
            if ($method === Method::Map || $method === Method::Shells || $method === Method::All || $method === Method::Switches || $method === Method::Wiggle || $method->opens()) {
                $from = $points->node($each->child('from'));
                if ($method === Method::Wiggle) {
                    $samples[] = new Sample(new Question($method, $from), $each->name('value'));
                } elseif ($method->opens()) {
                    $samples[] = new Sample(new Question($method, $from), self::sorted($each->texts('colours')));
                } elseif ($method === Method::Switches || $method === Method::All) {
                    $samples[] = new Sample(new Question($method, $from, $state), self::sorted($each->each('lights', $points->node(...))));
                } else {
                    $lights[$from] = $each->each('lights', $points->node(...));
                }
            } elseif ($method === Method::Ohms || $method === Method::Insulation || $method === Method::Capacitance) {
                $between = $each->each('between', $points->node(...));
                $samples[] = new Sample(new Question($method, implode('|', $between)), self::number($each));
            } else {
                $pair = self::pair($each, $each->each('pair', $points->node(...)), $pairs);
                if ($method === Method::Pairs) {
                    $splits ??= [];
                    $splits = $each->flag('split') ? [...$splits, $pair] : $splits;
                } elseif ($method === Method::Noise) {
                    $samples[] = new Sample(new Question($method, $pair), $each->name('value'));
                } else {
                    $samples[] = new Sample(new Question($method, CertifierSense::question($pair, $each->text('what', CertifierSense::LENGTH))), self::number($each));
                }
            }
            $each->done();
        });
        $fields->done();
        $problems->settle();
        $reading = new Reading($lights, $splits, $samples);
        Known::check($reading, $test->expectation());

        return new self($reading, $name);
    }

    /** @return array<string, mixed> one result, as an instrument says it */
    public static function result(Sample $sample, Points $points, UnderTest $test): array
    {
        $question = $sample->question;
        $pairs = array_column($test->expectation()->setup->pairs, 'nodes', 'id');
        $nodes = $pairs[explode('#', $question->at)[0]] ?? $test->expectation()->senses()->nodes($question);
        $value = ReadingCodec::value($sample->value);
        $point = $points->point(...);

        return ['measure' => $question->method->value] + ($question->state === '' ? [] : ['state' => $question->state]) + match ($question->method) {
            Method::Map, Method::Shells, Method::All, Method::Switches => ['from' => $point($question->at), 'lights' => array_map($point, is_array($value) ? $value : [])],
            Method::EyesA, Method::EyesB => ['from' => $point($question->at), 'colours' => $value],
            Method::Wiggle => ['from' => $point($question->at), 'value' => $value],
            Method::Ohms, Method::Insulation, Method::Capacitance => ['between' => array_map($point, $nodes), 'value' => $value, 'unit' => $question->method->unit()],
            Method::Certifier => ['pair' => array_map($point, $nodes), 'what' => CertifierSense::what($question->at), 'value' => $value],
            Method::Noise => ['pair' => array_map($point, $nodes), 'value' => $value],
            Method::Pairs => ['pair' => array_map($point, $nodes), 'split' => $value === 'split'],
        };
    }

    /** @return array<string, string> contacts, sorted and joined → pair id */
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
     * @param  array<string, string>  $pairs
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

        return (is_int($value) || is_float($value)) && $value >= 0 && $value <= 1e9 ? (float) $value : $fields->wrong('value', $value, 'should be a number from 0, or "open" where nothing conducts.', 0.0);
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
