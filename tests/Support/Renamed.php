<?php

declare(strict_types=1);

namespace Tests\Support;

/** An installation file under other ids: whatever names a thing names it by its new id. */
final class Renamed
{
    private const LISTS = [
        'locations',
        'ways',
        'junctions',
        'panels',
        'looms',
        'circuits',
        'equipment',
        'fittings',
        'switches',
        'reels',
        'instruments',
        'runs',
    ];

    /** The demo's id that is a word of the file format as well. */
    private const WORDS = ['split'];

    private const TYPES = ['cables', 'connectors', 'parts', 'plans', 'procedures'];

    /** Between the parts of a composed id. */
    private const MARKS = '~([/:|>])~';

    /** @param  array<int|string, string>  $names  id → new id */
    private function __construct(private readonly array $names)
    {
    }

    /**
     * Runs as five digits, everything else as eight, in the order of their ids before: what is sorted by id stays
     * where it was, and what is as wide stays as wide.
     *
     * @param  array<string, mixed>  $file
     */
    public static function digits(array $file): self
    {
        $runs = self::ids($file, ['runs']);
        $names = [];
        foreach ($runs as $run) {
            if (preg_match('~^([A-Z])-(\d{3})$~', $run, $found) !== 1) {
                throw new \LogicException('The demo has a run that is not called like A-114: '.$run);
            }
            $letter = array_search(
                $found[1],
                array_values(array_unique(array_map(static fn (string $id): string => $id[0], $runs))),
                true,
            );
            // A 7 in it, which reads as nothing upside down.
            $names[$run] = 2 + (int) $letter.'7'.$found[2];
        }
        $rank = 0;
        foreach (array_diff(self::others($file), $runs) as $id) {
            $names[$id] = (string) (79_310_003 + 7 * $rank++);
        }

        return new self($names);
    }

    /**
     * By names drawn from a bag, however odd.
     *
     * @param  array<string, mixed>  $file
     * @param  callable(int): string  $name
     */
    public static function by(array $file, callable $name): self
    {
        $names = [];
        foreach (array_values(array_unique([...self::ids($file, ['runs']), ...self::others($file)])) as $i => $id) {
            $names[$id] = $name($i);
        }
        if (count(array_unique($names)) !== count($names)) {
            throw new \LogicException('Two things would go by one name.');
        }

        return new self($names);
    }

    /** @return list<string> */
    public static function runs(array $file): array
    {
        return self::ids($file, ['runs']);
    }

    /** The id that a thing has now. */
    public function of(string $id): string
    {
        return $this->names[$id] ?? $id;
    }

    /**
     * @param  array<string, mixed>  $file
     * @return array<string, mixed>
     */
    public function file(array $file): array
    {
        /** @var array<string, mixed> */
        return $this->value($file);
    }

    /** An address, with what it asks for called as it is now. */
    public function address(string $address): string
    {
        [$path, $query] = [...explode('?', $address, 2), null];
        $path = implode(
            '/',
            array_map(
                fn (string $part): string => rawurlencode($this->value(rawurldecode($part))),
                explode('/', $path),
            ),
        );
        parse_str((string) $query, $asked);

        return $path.
            ($query === null ? '' : '?'.http_build_query((array) $this->value($asked), '', '&', PHP_QUERY_RFC3986));
    }

    /** A text of today, with everything called as it was before. */
    public function back(string $text): string
    {
        $back = array_flip(array_filter($this->names, static fn (string $new): bool => strlen($new) > 4));
        $back = array_combine(array_map(strval(...), array_keys($back)), array_map(strval(...), array_values($back)));

        return (string) preg_replace_callback(
            '~(?<![0-9])[0-9]{5}(?![0-9])|(?<![0-9])7[0-9]{7}(?![0-9])~',
            static fn (array $found): string => $back[$found[0]] ?? $found[0],
            $text,
        );
    }

    private function value(mixed $value): mixed
    {
        if (is_string($value)) {
            return $this->text($value);
        }
        if (! is_array($value)) {
            return $value;
        }
        $renamed = [];
        foreach ($value as $key => $each) {
            $renamed[is_string($key) ? $this->text($key) : $key] = $this->value($each);
        }

        return $renamed;
    }

    private function text(string $text): string
    {
        if (isset($this->names[$text])) {
            return $this->names[$text];
        }
        $parts = preg_split(self::MARKS, $text, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [];

        return implode('', array_map(fn (string $part): string => $this->names[$part] ?? $part, $parts));
    }

    /**
     * @param  array<string, mixed>  $file
     * @return list<string>
     */
    private static function others(array $file): array
    {
        $types = array_filter(
            self::ids((array) $file['catalogue'], self::TYPES),
            // A plain word may stand for something else as well.
            static fn (string $id): bool => str_contains($id, '-'),
        );
        $ids = array_values(array_unique([...self::ids($file, array_diff(self::LISTS, ['runs'])), ...$types]));
        sort($ids, SORT_STRING);

        return $ids;
    }

    /**
     * @param  array<mixed>  $of
     * @param  array<string>  $lists
     * @return list<string>
     */
    private static function ids(array $of, array $lists): array
    {
        $ids = [];
        foreach ($lists as $list) {
            foreach ((array) ($of[$list] ?? []) as $each) {
                $ids[] = (string) $each['id'];
            }
        }
        $ids = array_diff($ids, self::WORDS);
        sort($ids, SORT_STRING);

        return $ids;
    }
}
