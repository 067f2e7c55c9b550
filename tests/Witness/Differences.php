<?php

declare(strict_types=1);

namespace Tests\Witness;

/**
 * What a witness was laid beside what it is; what rightly differs is on a
 * closed list with its reason. Where a name may be another one now, it is the
 * same other one everywhere, and no two have become one.
 */
final class Differences
{
    /** Of a number; a double has some sixteen digits. */
    private const LAST_DIGITS = 1e-13;

    private const SHOWN = 2500;

    /** @var array<string, string> pattern → reason */
    private readonly array $rightly;

    /** @var array<string, string> pattern → reason */
    private readonly array $renamed;

    /** @var array<int|string, string> name then → name now */
    private array $names = [];

    public function __construct(string $version)
    {
        /** @var array<string, string> $renamed */
        $renamed = require __DIR__.'/'.$version.'/renamed.php';
        $this->renamed = $renamed;
        /** @var array<string, string> $rightly */
        $rightly = require __DIR__.'/'.$version.'/differs.php';
        $this->rightly = $rightly;
    }

    /** @return list<string> what differs and should not */
    public function between(string $part, mixed $was, mixed $is): array
    {
        $found = [];
        $this->learn($part, $was, $is, $found);
        $this->compare($part, $was, $is, $found);

        return count($found) > self::SHOWN
            ? [...array_slice($found, 0, self::SHOWN), sprintf('and %d more', count($found) - self::SHOWN)]
            : $found;
    }

    /**
     * Which names have become others, where they may.
     *
     * @param  list<string>  $found
     */
    private function learn(string $at, mixed $was, mixed $is, array &$found): void
    {
        if (is_string($was) && is_string($is)) {
            [$a, $b] = [self::opened($was), self::opened($is)];
            if (is_array($a) && is_array($b)) {
                $this->learn($at, $a, $b, $found);
            } elseif (self::matches($this->renamed, $at)) {
                if (($this->names[$was] ?? $is) !== $is) {
                    $found[] = sprintf('%s: "%s" is called both "%s" and "%s"', $at, $was, $this->names[$was], $is);
                }
                $this->names[$was] = $is;
            }
        } elseif (is_array($was) && is_array($is)) {
            foreach (array_intersect_key($was, $is) as $key => $then) {
                $this->learn($at.'/'.$key, $then, $is[$key], $found);
            }
        }
    }

    /** @param  list<string>  $found */
    private function compare(string $at, mixed $was, mixed $is, array &$found): void
    {
        if ($was === $is || self::matches($this->rightly, $at)) {
            return;
        }
        if (is_string($was) && isset($this->names[$was]) && $this->names[$was] === $is) {
            return;
        }
        if (is_string($was) && is_string($is)) {
            [$a, $b] = [self::opened($was), self::opened($is)];
            if ($a !== null && $b !== null) {
                $this->compare($at, $a, $b, $found);

                return;
            }
        }
        if (is_array($was) && is_array($is)) {
            [$was, $is] = self::byName($was, $is);
            $was = $this->inNamesOfNow($was, $at, $found);
            foreach ($was + $is as $key => $_) {
                if (! array_key_exists($key, $was) || ! array_key_exists($key, $is)) {
                    if (! self::matches($this->rightly, $at.'/'.$key)) {
                        $found[] = sprintf(
                            '%s/%s: %s',
                            $at,
                            $key,
                            array_key_exists($key, $was)
                                ? 'is gone: '.self::brief($was[$key])
                                : 'is new: '.self::brief($is[$key]),
                        );
                    }
                } else {
                    $this->compare($at.'/'.$key, $was[$key], $is[$key], $found);
                }
            }
            if (
                array_keys($was) !== array_keys($is) &&
                count($was) === count($is) &&
                array_diff_key($was, $is) === [] &&
                ! self::matches($this->rightly, $at)
            ) {
                $found[] = $at.': in another order';
            }

            return;
        }
        // A sum that is taken in another order ends in other last digits, and is the same number.
        if (is_float($was) && is_float($is) && abs($was - $is) <= self::LAST_DIGITS * max(abs($was), abs($is))) {
            return;
        }
        $found[] = sprintf('%s: was %s, is %s', $at, self::brief($was), self::brief($is));
    }

    /**
     * Types are listed by their names: one that there was not moves those after it, and they are the same as before.
     *
     * @param  array<array-key, mixed>  $was
     * @param  array<array-key, mixed>  $is
     * @return array{array<array-key, mixed>, array<array-key, mixed>}
     */
    private static function byName(array $was, array $is): array
    {
        foreach (array_is_list($was) && array_is_list($is) ? ['id', 'plan'] : [] as $field) {
            [$then, $now] = [self::named($was, $field), self::named($is, $field)];
            if (count($then) === count($was) && count($now) === count($is) && count($was) < count($is)) {
                return [$then, $now];
            }
        }

        return [$was, $is];
    }

    /**
     * @param  array<array-key, mixed>  $rows
     * @return array<array-key, mixed> by what the field says, where that is a name
     */
    private static function named(array $rows, string $field): array
    {
        $named = [];
        foreach ($rows as $row) {
            if (is_array($row) && is_string($row[$field] ?? null)) {
                $named[$row[$field]] = $row;
            }
        }

        return $named;
    }

    /** JSON inside an answer is compared by what it says; text by its lines. */
    private static function opened(string $text): mixed
    {
        $json =
            preg_match('~^(?:\d{3} )?(?=[{\[])~', $text, $found) === 1
                ? json_decode(substr($text, strlen($found[0])), true)
                : null;
        if ($json !== null) {
            return ['status' => substr($text, 0, strlen($found[0])), 'body' => $json];
        }

        return str_contains($text, "\n") ? explode("\n", $text) : null;
    }

    private static function brief(mixed $value): string
    {
        return mb_strimwidth(
            (string) json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE),
            0,
            160,
            '…',
        );
    }

    /**
     * @param  array<array-key, mixed>  $was
     * @param  list<string>  $found
     * @return array<array-key, mixed>
     */
    private function inNamesOfNow(array $was, string $at, array &$found): array
    {
        $renamed = [];
        foreach ($was as $key => $value) {
            $now = $this->names[$key] ?? $key;
            if (array_key_exists($now, $renamed)) {
                $found[] = sprintf('%s: two are called "%s" now', $at, $now);
            }
            $renamed[$now] = $value;
        }

        return $renamed;
    }

    /** @param  array<string, string>  $patterns */
    private static function matches(array $patterns, string $at): bool
    {
        foreach ($patterns as $pattern => $_) {
            if (fnmatch($pattern, $at)) {
                return true;
            }
        }

        return false;
    }
}
