<?php

declare(strict_types=1);

namespace Tests\Support;

/**
 * Values that come in by mistake or on purpose, made here and nowhere in the application: by what a schema says of a
 * field, those that it forbids, and those that are lawful and hostile all the same.
 */
final class Hostile
{
    /** Lawful names: digits only, right to left, combining, words of PHP, what formulas and markup look like. */
    public const NAMES = [
        '101',
        'null',
        '__construct',
        "\u{05D0}\u{05D1}\u{05D2}",
        "e\u{0301}\u{0301}\u{0301}",
        "\u{202E}abc",
        '=1+1',
        '<img src=x onerror=1>',
        "'; drop table runs; --",
        '../../etc/passwd',
        '😀',
    ];

    /** @return list<mixed> of no field at all */
    public static function never(): array
    {
        return ["a\0b", ['a' => ['b' => "c\0"]]];
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return list<mixed>
     */
    public static function forbidden(array $schema): array
    {
        $types = (array) ($schema['type'] ?? []);
        // Empty text is as null.
        $mayBeNull = in_array('null', $types, true) || isset($schema['anyOf']);
        $values = match ($types[0] ?? '') {
            'string' => [
                [],
                ['a'],
                ['a' => 1],
                12,
                1.5,
                true,
                str_repeat('x', (int) ($schema['maxLength'] ?? 200) + 1),
                "a\u{0007}b",
                ...isset($schema['enum']) ? ['no such choice', ...$mayBeNull ? [] : ['']] : [],
                ...isset($schema['pattern']) ? ['~ not of the pattern ~'] : [],
                ...! $mayBeNull && ($schema['minLength'] ?? 0) > 0 ? ['', '   '] : [],
            ],
            'integer' => [
                [],
                ['a' => 1],
                'ten',
                '12',
                1.5,
                true,
                (int) ($schema['minimum'] ?? 0) - 1,
                (int) ($schema['maximum'] ?? 0) + 1,
                99_999_999_999_999_999_999,
            ],
            'boolean' => [[], 'yes', 2, 'true', 0],
            'array' => [
                'a',
                12,
                true,
                ['a' => 'b'],
                array_fill(0, min(25_000, (int) ($schema['maxItems'] ?? 1000) + 1), 'x'),
                ...self::within($schema['items'] ?? []),
            ],
            'object' => ['a', 12, 1.5, true],
            default => [],
        };

        return $mayBeNull ? $values : [...$values, null];
    }

    /**
     * @param  array<string, mixed>  $items
     * @return list<mixed>
     */
    private static function within(array $items): array
    {
        return match ($items['type'] ?? '') {
            'string' => [[[]], [12], [['a' => 1]], ...isset($items['enum']) ? [['no such choice']] : []],
            default => isset($items['$ref']) ? [['a'], [12], [[]]] : [],
        };
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return list<mixed>
     */
    public static function lawful(array $schema): array
    {
        $long = min(200, (int) ($schema['maxLength'] ?? 200));
        $short = array_filter(
            [...self::NAMES, str_repeat('ﷺ', $long)],
            static fn (string $name): bool => mb_strlen($name) <= $long,
        );

        $schema['type'] = ((array) ($schema['type'] ?? ''))[0];

        return match (true) {
            isset($schema['enum']) => array_slice((array) $schema['enum'], 0, 3),
            ($schema['type'] ?? '') === 'string' && ! isset($schema['pattern']) => array_values($short),
            ($schema['type'] ?? '') === 'integer' => [(int) $schema['minimum'], (int) $schema['maximum']],
            ($schema['type'] ?? '') === 'array' && ($schema['items']['type'] ?? '') === 'string' => [
                [],
                isset($schema['items']['enum']) ? [$schema['items']['enum'][0]] : ['101', '0', "\u{05D0}"],
            ],
            ($schema['type'] ?? '') === 'object' && ! isset($schema['x-file']) => [
                ['101' => 'x'],
                ['code' => '=1+1', 'cable' => '0'],
            ],
            default => [],
        };
    }

    /**
     * A document with one value in it made another: every leaf in its turn, by every one of some values.
     *
     * @param  array<mixed>  $document
     * @return iterable<string, array<mixed>>
     */
    public static function spoiled(array $document, int $most): iterable
    {
        $values = [
            '' => null,
            'list' => [],
            'table' => ['x' => ['y' => 1]],
            'number' => -1.5,
            'large' => 99_999_999_999_999_999_999,
            'text' => 'no such thing',
            'length' => '0 mm',
            'tiny' => '0.0001 mm',
            'yes' => true,
            'digits' => '101',
        ];
        $all = [];
        foreach (self::places($document, []) as $place) {
            foreach ($values as $name => $value) {
                $all[] = [$place, $name, $value];
            }
        }
        // Of many, so many from all over it; one more than the values, so that each is tried at some place.
        $step = max(1, intdiv(count($all), $most));
        $step += $step % count($values) === 0 ? 1 : 0;
        for ($i = 0; $i < count($all); $i += $step) {
            [$place, $name, $value] = $all[$i];
            yield implode('.', $place).' '.$name => self::put($document, $place, $value);
        }
    }

    /**
     * @param  array<mixed>  $document
     * @param  list<array-key>  $at
     * @return iterable<list<array-key>>
     */
    private static function places(array $document, array $at): iterable
    {
        foreach ($document as $key => $value) {
            yield [...$at, $key];
            if (is_array($value)) {
                // Of a long list, its first two say what the others do.
                yield from self::places(array_is_list($value) ? array_slice($value, 0, 2) : $value, [...$at, $key]);
            }
        }
    }

    /**
     * @param  array<mixed>  $document
     * @param  non-empty-list<array-key>  $place
     * @return array<mixed>
     */
    private static function put(array $document, array $place, mixed $value): array
    {
        $key = array_shift($place);
        $document[$key] = $place === [] ? $value : self::put((array) ($document[$key] ?? []), $place, $value);

        return $document;
    }
}
