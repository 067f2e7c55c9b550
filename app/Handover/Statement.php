<?php

declare(strict_types=1);

namespace App\Handover;

/** What is signed: the whole pack by its digest; by somebody as whom and when, by the application as it is made. */
final class Statement
{
    public static function made(string $digest): string
    {
        return implode("\n", ['sartal-pack-made', $digest]);
    }

    public static function of(string $digest, string $signIn, string $name, string $role, string $at): string
    {
        return implode("\n", ['sartal-pack', $digest, $signIn, $name, $role, $at]);
    }
}
