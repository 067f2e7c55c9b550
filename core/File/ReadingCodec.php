<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Question;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Sample;

/** What was read from and into its JSON shape (docs/formats.md). */
final class ReadingCodec
{
    /** Nothing conducts: a number that JSON has none for. */
    private const OPEN = 'open';

    /** Samples that one reading may have: the largest connectors, all against all, in every state. */
    private const MOST = 100_000;

    public static function decode(Fields $fields): Reading
    {
        $lights = [];
        foreach ($fields->has('lights') ? $fields->entries('lights') : [] as $from => $to) {
            $lights[(string) $from] = self::nodes($fields, 'lights.'.$from, $to);
        }
        $splits = $fields->has('splits') ? $fields->texts('splits') : null;
        $samples = $fields->has('samples') ? $fields->each('samples', self::sample(...)) : [];
        if (count($samples) > self::MOST) {
            $fields->wrong('samples', count($samples), sprintf('should be no more than %d.', self::MOST), null);
        }
        $declared = $fields->has('declared') ? $fields->texts('declared') : [];
        $fields->done();

        return new Reading($lights, $splits, $samples, $declared);
    }

    /** @return array<int|string, mixed> */
    public static function encode(Reading $reading): array
    {
        return ['lights' => (object) $reading->lights] +
            ($reading->splits === null ? [] : ['splits' => $reading->splits]) +
            ($reading->samples === []
                ? []
                : ['samples' => array_map(self::encodeSample(...), array_values($reading->samples))]) +
            ($reading->declared === [] ? [] : ['declared' => $reading->declared]);
    }

    /** @return array<int|string, mixed> */
    public static function encodeSample(Sample $sample): array
    {
        return CatalogueEncoder::brief([
            'method' => $sample->question->method->value,
            'state' => $sample->question->state,
            'at' => $sample->question->at,
        ]) + ['value' => self::value($sample->value)] +
            ($sample->declared ? ['declared' => true] : []);
    }

    /**
     * @param  list<string>|float|string  $value
     * @return list<string>|float|int|string
     */
    public static function value(array|float|string $value): array|float|int|string
    {
        return match (true) {
            ! is_float($value) => $value,
            is_nan($value) => '',
            is_infinite($value) => self::OPEN,
            default => CatalogueEncoder::plain(round($value, 6)),
        };
    }

    private static function sample(Fields $fields): Sample
    {
        $method = $fields->choice('method', Method::class);
        $question = new Question($method, $fields->name('at'), $fields->text('state', ''));
        $value = $fields->raw('value');
        $read = match (true) {
            is_array($value) => self::nodes($fields, 'value', $value, sorted: true),
            Methods::card($method)->unit !== '' => self::number($fields, $value),
            is_string($value) => $value,
            default => $fields->wrong('value', $value, 'should be a word, a number or a list of contacts.', ''),
        };
        if (is_array($read) !== (Methods::card($method)->lights || Methods::card($method)->opens)) {
            $read = $fields->wrong(
                'value',
                $value,
                sprintf('is not what "%s" shows.', Methods::card($method)->words),
                '',
            );
        }
        $sample = new Sample($question, $read, $fields->flag('declared', false));
        $fields->done();

        return $sample;
    }

    private static function number(Fields $fields, mixed $value): float
    {
        if ($value === self::OPEN) {
            return INF;
        }
        if (! is_int($value) && ! is_float($value)) {
            return $fields->wrong('value', $value, 'should be a number, or "open" where nothing conducts.', 0.0);
        }
        if ($value < 0 || $value > 1e9) {
            return $fields->wrong('value', $value, 'should be from 0 to 1000000000.', 0.0);
        }

        return (float) $value;
    }

    /** @return list<string> */
    private static function nodes(Fields $fields, string $key, mixed $value, bool $sorted = false): array
    {
        $nodes = is_array($value) ? array_values(array_filter($value, is_string(...))) : [];
        if (! is_array($value) || count($nodes) !== count($value)) {
            $fields->wrong($key, $value, 'should be a list of contacts.', null);
        }
        if ($sorted) {
            sort($nodes, SORT_STRING);
        }

        return $nodes;
    }
}
