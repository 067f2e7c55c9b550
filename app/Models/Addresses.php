<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Facades\DB;
use RuntimeException;

/**
 * What an installation is called in every address: two consonants and three
 * digits, which can be spelled over a radio and make no word. Minted here,
 * never taken from a file, and never given twice, even after its installation
 * is gone: a printed code must not lead to another one some day.
 */
final class Addresses
{
    private const LETTERS = 'bcdfghjklmnprstvwxz';

    private const TRIES = 1000;

    public static function mint(): string
    {
        for ($i = 0; $i < self::TRIES; $i++) {
            $address =
                self::LETTERS[random_int(0, strlen(self::LETTERS) - 1)].
                self::LETTERS[random_int(0, strlen(self::LETTERS) - 1)].
                sprintf('%03d', random_int(0, 999));
            if (DB::table('addresses')->insertOrIgnore(['address' => $address, 'minted_at' => now()]) > 0) {
                return $address;
            }
        }
        throw new RuntimeException(
            'No address is left: this database has held hundreds of thousands of installations.',
        );
    }
}
