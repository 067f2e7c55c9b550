<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Importing;

use Sartal\Core\Plan\Proposing\Words;

/**
 * How like the names of some things are to what somebody wrote for one: by the share of the written words that a name
 * has, a word that many names have counting less than one that tells them apart. Words are whole, cut short ("cat"
 * for "category") or mistyped by a letter or two; another number is another thing. Weights and bounds are common
 * practice of matching records by words, set so that the cases of its test come out.
 */
final class WordLikeness
{
    private const CUT_SHORT = 0.85;

    private const MISTYPED = 0.7;

    /** Of a number that the names do not have: "Amp rack 1" where there is one amp rack. */
    private const NUMBER = 0.4;

    /** Off for each word of a name that was not written: the shorter of two names is meant. */
    private const UNSAID = 0.01;

    /** Letters from which on a word may be cut short, or mistyped. */
    private const CUT = 3;

    private const TYPED = 5;

    /** @var array<int|string, list<string>> id → words */
    private array $words = [];

    /** @var array<int|string, int> word → names that have it */
    private array $among = [];

    /** @var array<int|string, string> id → the first letters of its name's words */
    private array $initials = [];

    /** @var array<int|string, int> id → words of its name */
    private array $long = [];

    /**
     * @param  array<int|string, string>  $names  id → name
     * @param  array<int|string, string>  $also  id → other words for it
     * @param  array<int|string, string>  $trade  word → the word for it here, both in lower case
     */
    public function __construct(array $names, array $also = [], private readonly array $trade = [])
    {
        foreach ($names as $id => $name) {
            $own = $this->split($name);
            $this->initials[$id] = implode('', array_map(static fn ($word): string => mb_substr($word, 0, 1), $own));
            $this->long[$id] = count($own);
            $this->words[$id] = array_values(array_unique([...$own, ...$this->split($also[$id] ?? '')]));
            foreach ($this->words[$id] as $word) {
                $this->among[$word] = ($this->among[$word] ?? 0) + 1;
            }
        }
    }

    /** @return array<int|string, float> id → from 0, nothing in common, to 1, best first; nothing below 0 */
    public function of(string $said): array
    {
        $wanted = $this->split($said);
        $weights = array_map($this->weight(...), $wanted);
        $all = array_sum($weights);
        $scores = [];
        foreach ($all <= 0 ? [] : $this->words as $id => $words) {
            if (implode('', $wanted) === implode('', $words)) {
                $scores[$id] = 1.0;

                continue;
            }
            $found = 0.0;
            foreach ($wanted as $i => $word) {
                $found += $weights[$i] * $this->match($word, $words, $this->initials[$id]);
            }
            $score = $found / $all - self::UNSAID * max(0, $this->long[$id] - count($wanted));
            if ($score > 0) {
                $scores[$id] = min(1.0, $score);
            }
        }
        arsort($scores);

        return $scores;
    }

    /**
     * Words in lower case; letters and the digits after them are two where there are three letters or more: "cat6a" is
     * "cat" and "6a", "xlr3f" is "xlr", "3" and "female", "b12" stays itself.
     *
     * @return list<string>
     */
    private function split(string $text): array
    {
        $apart = preg_replace(['~(?<=\p{L}{3})(?=\d)~u', '~(?<=\d)(?=[fm]\b)~iu'], ' ', $text);

        return array_map(
            fn (string $word): string => $this->trade[$word] ?? $word,
            Words::split((string) $apart),
        );
    }

    private function weight(string $word): float
    {
        $among = $this->among[$word] ?? 0;
        if ($among === 0) {
            return ctype_digit($word) ? self::NUMBER : 1.0;
        }

        return 1 / sqrt($among);
    }

    /** @param  list<string>  $has */
    private function match(string $word, array $has, string $initials): float
    {
        if (in_array($word, $has, true)) {
            return 1.0;
        }
        if (mb_strlen($word) >= self::CUT && str_starts_with($initials, $word)) {
            return self::CUT_SHORT;
        }
        if (ctype_digit($word)) {
            return array_filter($has, ctype_digit(...)) === [] ? 0.0 : -2.0;
        }
        $best = 0.0;
        foreach ($has as $other) {
            $best = max($best, self::near($word, $other));
        }

        return $best;
    }

    private static function near(string $word, string $other): float
    {
        $short = min(mb_strlen($word), mb_strlen($other));
        if ($short >= self::CUT && (str_starts_with($other, $word) || str_starts_with($word, $other))) {
            return self::CUT_SHORT;
        }
        if ($short < self::TYPED || preg_match('~\d~', $word.$other) === 1) {
            return 0.0;
        }

        return levenshtein($word, $other) <= ($short < 2 * self::TYPED - 2 ? 1 : 2) ? self::MISTYPED : 0.0;
    }
}
