<?php

declare(strict_types=1);

namespace App\Handover;

/** The list of sums as sha256sum writes and reads it. */
final class Sums
{
    public const FILE = 'SHA256SUMS';

    public const SIGNATURES = 'SIGNATURES.json';

    /** @param  array<int|string, string>  $sums  name → SHA-256 */
    public static function print(array $sums): string
    {
        ksort($sums, SORT_STRING);
        $lines = '';
        foreach ($sums as $name => $sum) {
            $lines .= $sum.'  '.$name."\n";
        }

        return $lines;
    }

    /** @return ?array<int|string, string> name → SHA-256; null where it is no such list */
    public static function read(string $text): ?array
    {
        $sums = [];
        foreach (explode("\n", rtrim($text, "\n")) as $line) {
            if (preg_match('~^([0-9a-f]{64}) [ *]([^\x00-\x1f]+)$~', $line, $m) !== 1 || isset($sums[$m[2]])) {
                return null;
            }
            $sums[$m[2]] = $m[1];
        }

        return $sums;
    }
}
