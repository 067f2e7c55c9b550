<?php

declare(strict_types=1);

namespace App\Formats\Import;

use App\Formats\BadLine;
use Sartal\Core\Plan\Importing\Kind;
use Sartal\Core\Plan\Importing\Meanings;

/**
 * How a spreadsheet is to be read, as somebody said: which field a column holds, what a word in a cell stands for, what
 * holds where a cell is empty, and what a cell holds in truth.
 *
 * @phpstan-type Fields array<int|string, string>
 */
final readonly class Understanding
{
    /** For "make it", and for "leave it out". */
    public const MAKE = '+';

    public const LEAVE = '-';

    /** Lengths of runs that lie in the building: a way is made of each where no way leads there yet. */
    public const AS_WAYS = 'ways';

    private const LONGEST = 200;

    /**
     * @param  Fields  $columns  column → field, or {@see self::LEAVE}
     * @param  array<string, Fields>  $values  kind → words, as they are compared → id, or {@see self::MAKE}
     * @param  Fields  $defaults  field → what it holds where nothing is written
     * @param  array<int|string, Fields>  $cells  "sheet's name:row" → field → what is written there
     * @param  bool  $areWays  whether lengths make ways
     * @param  array<string, Fields>  $before  like values, as an earlier import had them
     */
    public function __construct(
        public array $columns = [],
        public array $values = [],
        public array $defaults = [],
        public array $cells = [],
        public bool $areWays = false,
        public array $before = [],
    ) {
    }

    /** @throws BadLine */
    public static function from(string $json): self
    {
        if (trim($json) === '') {
            return new self();
        }
        $said = json_decode($json, true, 5);
        if (! is_array($said)) {
            throw BadLine::because('said', mb_strimwidth($json, 0, 40, '…'), 'Send a JSON object, or nothing.');
        }
        $values = [];
        $sent = is_array($said['values'] ?? null) ? $said['values'] : [];
        foreach (Kind::cases() as $kind) {
            foreach (self::fields($sent[$kind->value] ?? []) as $word => $id) {
                $values[$kind->value][Meanings::plain((string) $word)] = $id;
            }
        }

        return new self(
            self::fields($said['columns'] ?? []),
            $values,
            self::fields($said['defaults'] ?? []),
            array_map(self::fields(...), is_array($said['cells'] ?? null) ? $said['cells'] : []),
            ($said['lengths'] ?? '') === self::AS_WAYS,
        );
    }

    /** What is said here, and where nothing is, what an earlier import had. */
    public function over(self $earlier): self
    {
        return new self(
            array_replace($earlier->columns, $this->columns),
            $this->values,
            array_replace($earlier->defaults, $this->defaults),
            $this->cells,
            $this->areWays,
            $earlier->values,
        );
    }

    /** What some words stand for; null where nobody said. */
    public function meant(Kind $kind, string $words): ?string
    {
        return $this->values[$kind->value][Meanings::plain($words)] ?? null;
    }

    /** What an earlier import took them for; null where none met them. */
    public function meantBefore(Kind $kind, string $words): ?string
    {
        return $this->before[$kind->value][Meanings::plain($words)] ?? null;
    }

    /** @return Fields what is text under a name, of what was sent */
    private static function fields(mixed $sent): array
    {
        $fields = [];
        foreach (is_array($sent) ? $sent : [] as $name => $text) {
            // Nothing that a database cannot keep, or that no cell holds.
            if (is_string($text) && ! str_contains($name.$text, "\0")) {
                $fields[$name] = mb_substr($text, 0, self::LONGEST);
            }
        }

        return $fields;
    }
}
