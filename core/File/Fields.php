<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use BackedEnum;
use Sartal\Core\Given\Measure\Gauge;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;

/**
 * Reads the fields of one object of a document. A field that is missing or
 * wrong is noted with its path, and reading goes on with a stand-in: nothing
 * read so is used, because {@see Problems::settle()} throws.
 */
final class Fields
{
    private const LONGEST_TEXT = 2000;

    /** @var array<int|string, true> */
    private array $asked = [];

    /** @param  array<array-key, mixed>  $data */
    private function __construct(
        private readonly array $data,
        public readonly string $path,
        public readonly Problems $problems,
    ) {
    }

    public static function from(mixed $data, string $path, Problems $problems): self
    {
        if (! is_array($data) || ($data !== [] && array_is_list($data))) {
            $problems->add($path, $data, 'should be an object with named fields.');
            $data = [];
        }

        return new self($data, $path, $problems);
    }

    /** Fields that nobody asked for are slips: they are named, not dropped. */
    public function done(): void
    {
        foreach ($this->data as $key => $value) {
            if (! isset($this->asked[$key])) {
                $this->problems->add(
                    $this->at((string) $key),
                    $value,
                    'is not a field here. Remove it, or correct its name.',
                );
            }
        }
    }

    public function has(string $key): bool
    {
        $this->asked[$key] = true;

        return isset($this->data[$key]);
    }

    public function text(string $key, ?string $default = null): string
    {
        $this->asked[$key] = true;
        $value = $this->data[$key] ?? $default;
        if (! is_string($value)) {
            return $this->wrong($key, $value, 'should be text.', '');
        }
        if ($value === '' || self::isPlain($value)) {
            return $value;
        }
        if (! mb_check_encoding($value, 'UTF-8') || preg_match('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', $value) === 1) {
            return $this->wrong($key, $value, 'holds characters that cannot be printed. Remove them.', '');
        }
        if (mb_strlen($value) > self::LONGEST_TEXT) {
            return $this->wrong(
                $key,
                $value,
                sprintf('is longer than %d characters. Shorten it.', self::LONGEST_TEXT),
                '',
            );
        }

        return $value;
    }

    /** Text that names something: not empty, no blanks around it. */
    public function name(string $key): string
    {
        $this->asked[$key] = true;
        $value = $this->data[$key] ?? null;
        if (is_string($value) && self::isPlain($value) && $value[0] !== ' ' && $value[-1] !== ' ') {
            return $value;
        }
        $value = $this->text($key);
        if (isset($this->data[$key]) && is_string($this->data[$key]) && trim($value) === '') {
            return $this->wrong($key, $value, 'must not be empty.', '');
        }

        return trim($value);
    }

    /** Whatever stands there: the caller says what it may be. */
    public function raw(string $key): mixed
    {
        return $this->take($key, null);
    }

    public function optionalText(string $key): ?string
    {
        return $this->has($key) ? $this->text($key) : null;
    }

    public function whole(string $key, int $least, int $most, ?int $default = null): int
    {
        $value = $this->take($key, $default);
        if (! is_int($value) || $value < $least || $value > $most) {
            return $this->wrong(
                $key,
                $value,
                sprintf('should be a whole number from %d to %d.', $least, $most),
                $least,
            );
        }

        return $value;
    }

    public function number(string $key, float $least, float $most, ?float $default = null): float
    {
        $value = $this->take($key, $default);
        if ((! is_int($value) && ! is_float($value)) || $value < $least || $value > $most) {
            return $this->wrong($key, $value, sprintf('should be a number from %s to %s.', $least, $most), $least);
        }

        return (float) $value;
    }

    public function flag(string $key, ?bool $default = null): bool
    {
        $value = $this->take($key, $default);

        return is_bool($value) ? $value : $this->wrong($key, $value, 'should be true or false.', false);
    }

    /** A length of nothing or more, at most the given one. */
    public function length(string $key, Length $most, ?Length $default = null): Length
    {
        if (! $this->has($key) && $default !== null) {
            return $default;
        }
        $text = $this->text($key);
        if ($text === '') {
            return is_string($this->data[$key] ?? null)
                ? $this->wrong($key, $text, 'should be a length with its unit, such as 12.4 m.', Length::zero())
                : Length::zero();
        }
        try {
            $length = Length::parse($text);
        } catch (InvalidMeasure $invalid) {
            return $this->wrong($key, $text, $invalid->getMessage(), Length::zero());
        }
        if ($length->isNegative()) {
            return $this->wrong($key, $text, 'is negative. Give a length of nothing or more.', Length::zero());
        }
        if ($length->compare($most) > 0) {
            return $this->wrong(
                $key,
                $text,
                sprintf('is longer than %s. Check the unit.', $most->canonical()),
                Length::zero(),
            );
        }

        return $length;
    }

    /** A length that may run backwards. */
    public function signedLength(string $key, Length $most): Length
    {
        $text = $this->text($key);
        try {
            $length = Length::parse($text);
        } catch (InvalidMeasure $invalid) {
            return $this->wrong($key, $text, $invalid->getMessage(), Length::zero());
        }

        return abs($length->nanometres) > $most->nanometres
            ? $this->wrong(
                $key,
                $text,
                sprintf('is beyond %s either way. Check the unit.', $most->canonical()),
                Length::zero(),
            )
            : $length;
    }

    /** @return list<Length> */
    public function lengths(string $key, Length $most): array
    {
        $lengths = [];
        foreach ($this->items($key, false) as $i => $item) {
            $place = $key.'['.$i.']';
            $lengths[] = (new self([$place => $item], $this->path, $this->problems))->length($place, $most);
        }

        return $lengths;
    }

    public function optionalNumber(string $key, float $least, float $most): ?float
    {
        return $this->has($key) ? $this->number($key, $least, $most) : null;
    }

    /** @return list<float> */
    public function numbers(string $key): array
    {
        $numbers = [];
        foreach ($this->items($key, false) as $i => $item) {
            if (is_int($item) || is_float($item)) {
                $numbers[] = (float) $item;
            } else {
                $this->problems->add($this->at($key).'['.$i.']', $item, 'should be a number.');
            }
        }

        return $numbers;
    }

    /** @return array<int|string, float> */
    public function numberMap(string $key, float $most): array
    {
        $map = [];
        foreach ($this->entries($key) as $name => $value) {
            if ((is_int($value) || is_float($value)) && $value >= 0 && $value <= $most) {
                $map[(string) $name] = (float) $value;
            } else {
                $this->problems->add(
                    $this->at($key).'.'.$name,
                    $value,
                    sprintf('should be a number from 0 to %s.', $most),
                );
            }
        }

        return $map;
    }

    public function gauge(string $key): ?Gauge
    {
        $text = $this->optionalText($key);
        if ($text === null || $text === '') {
            return null;
        }
        try {
            return Gauge::parse($text);
        } catch (InvalidMeasure $invalid) {
            return $this->wrong($key, $text, $invalid->getMessage(), null);
        }
    }

    /**
     * @template T of BackedEnum
     *
     * @param  class-string<T>  $enum
     * @param  ?T  $default
     * @return T
     */
    public function choice(string $key, string $enum, ?BackedEnum $default = null): BackedEnum
    {
        $value = $this->take($key, $default?->value);
        // All of ours are words; a number where a word should be is a wrong value, not a broken program.
        $case = is_string($value) ? $enum::tryFrom($value) : null;
        if ($case === null) {
            $choices = implode(
                ', ',
                array_map(static fn (BackedEnum $case): string => (string) $case->value, $enum::cases()),
            );

            return $this->wrong($key, $value, sprintf('should be one of: %s.', $choices), $enum::cases()[0]);
        }

        return $case;
    }

    public function child(string $key): self
    {
        return self::from($this->take($key, null), $this->at($key), $this->problems);
    }

    /**
     * Each object of a list, read by the given reader.
     *
     * @template T
     *
     * @param  callable(Fields): T  $read
     * @return list<T>
     */
    public function each(string $key, callable $read, bool $required = false): array
    {
        $items = [];
        foreach ($this->items($key, $required) as $i => $item) {
            $said = $item instanceof Spelled ? $item->read() : $item;
            $fields = self::from($said, $this->at($key).'['.$i.']', $this->problems);
            $items[] = $read($fields);
            $fields->done();
        }

        return $items;
    }

    /**
     * @param  string  $or  when it may be empty: "where nothing runs out."
     * @return string as 2026-03-31, or ""
     */
    public function day(string $key, string $or): string
    {
        $day = $this->text($key, '');
        $isDay = preg_match('~^(\d{4})-(\d\d)-(\d\d)$~', $day, $m) === 1 &&
            checkdate((int) $m[2], (int) $m[3], (int) $m[1]);

        return $day === '' || $isDay
            ? $day
            : $this->wrong($key, $day, 'should be a day such as 2026-03-31, or empty '.$or, '');
    }

    /** @return list<string> */
    public function texts(string $key): array
    {
        $texts = [];
        foreach ($this->items($key, false) as $i => $item) {
            if (is_string($item)) {
                $texts[] = $item;
            } else {
                $this->problems->add($this->at($key).'['.$i.']', $item, 'should be text.');
            }
        }

        return Interned::of($texts);
    }

    /** @return array<int|string, string> */
    public function textMap(string $key): array
    {
        $map = [];
        foreach ($this->entries($key) as $name => $value) {
            if (is_string($value)) {
                $map[(string) $name] = $value;
            } else {
                $this->problems->add($this->at($key).'.'.$name, $value, 'should be text.');
            }
        }

        return Interned::of($map);
    }

    /** @return array<array-key, mixed> */
    public function entries(string $key): array
    {
        $value = $this->take($key, []);
        if (! is_array($value) || ($value !== [] && array_is_list($value) && ! is_int(array_key_first($value)))) {
            return $this->wrong($key, $value, 'should be an object with named fields.', []);
        }

        return $value;
    }

    public function at(string $key): string
    {
        return $this->path === '' ? $key : $this->path.'.'.$key;
    }

    /**
     * @template T
     *
     * @param  T  $standIn
     * @return T
     */
    public function wrong(string $key, mixed $value, string $words, mixed $standIn): mixed
    {
        $this->problems->add($this->at($key), $value, $value === null ? 'is missing: it '.$words : $words);

        return $standIn;
    }

    /** @return list<mixed> */
    private function items(string $key, bool $required): array
    {
        $value = $this->take($key, $required ? null : []);
        if (! is_array($value) || ! array_is_list($value)) {
            return $this->wrong($key, $value, 'should be a list.', []);
        }

        return $value;
    }

    /** Most of what is read is short, and holds nothing but what a typewriter had. */
    private static function isPlain(string $text): bool
    {
        return strlen($text) <= self::LONGEST_TEXT && ctype_print($text);
    }

    private function take(string $key, mixed $default): mixed
    {
        $this->asked[$key] = true;

        return $this->data[$key] ?? $default;
    }
}
