<?php

declare(strict_types=1);

namespace Tests\Support;

/**
 * An installation file as the first version wrote it: people are called by their sign-in names, instruments by theirs.
 */
final class Unnamed
{
    public static function file(string $text): string
    {
        preg_match_all('~^ +"id": "([0-9a-z]{26})",\n +"signIn": "([^"]+)"~m', $text, $people, PREG_SET_ORDER);
        $calls = [];
        foreach ($people as [, $key, $signIn]) {
            $text = (string) preg_replace('~^ +"id": "'.$key.'",\n~m', '', $text);
            $calls['"'.$key.'"'] = '"'.$signIn.'"';
        }

        return strtr((string) preg_replace('~,\n +"with": \[[^\]]*\]~', '', $text), $calls);
    }
}
