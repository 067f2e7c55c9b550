<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

/** Finds the thing that somebody means by a few words: whole words, beginnings of words, and numbers exactly. */
final class Words
{
    /**
     * The best match, or several where they are equally good.
     *
     * @param  array<int|string, string>  $names  id → name
     * @return list<string> ids; none where nothing has a word in common
     */
    public static function best(string $text, array $names): array
    {
        $wanted = self::split($text);
        $best = [];
        $most = 0.0;
        foreach ($names as $id => $name) {
            $score = self::score($wanted, self::split($name.' '.$id));
            if ($score > $most + 1e-9) {
                $best = [(string) $id];
                $most = $score;
            } elseif ($most > 0 && abs($score - $most) <= 1e-9) {
                $best[] = (string) $id;
            }
        }

        return $best;
    }

    /** @return list<string> lower case */
    public static function split(string $text): array
    {
        return array_values(
            array_filter(
                preg_split('~[^\p{L}\p{N}]+~u', mb_strtolower($text)) ?: [],
                static fn (string $word): bool => $word !== '',
            ),
        );
    }

    /**
     * @param  list<string>  $wanted
     * @param  list<string>  $has
     */
    private static function score(array $wanted, array $has): float
    {
        $score = 0.0;
        foreach ($wanted as $word) {
            $score += self::word($word, $has);
        }

        // Of two names that have all the words, the shorter one is meant.
        return $score <= 0 ? 0.0 : $score - 0.01 * count(array_unique($has));
    }

    /** @param  list<string>  $has */
    private static function word(string $word, array $has): float
    {
        if (in_array($word, $has, true)) {
            return 1.0;
        }
        if (ctype_digit($word)) {
            // Another number is another thing.
            return array_filter($has, ctype_digit(...)) === [] ? 0.0 : -0.6;
        }
        foreach ($has as $candidate) {
            if (
                mb_strlen($word) >= 3 &&
                (str_starts_with($candidate, $word) ||
                    (mb_strlen($candidate) >= 3 && str_starts_with($word, $candidate)))
            ) {
                return 0.8;
            }
        }

        return 0.0;
    }
}
