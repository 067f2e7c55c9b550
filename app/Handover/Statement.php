<?php

declare(strict_types=1);

namespace App\Handover;

/** What somebody signs: the whole pack by its digest, as whom, when. */
final class Statement
{
    public static function of(string $digest, string $signIn, string $name, string $role, string $at): string
    {
        return implode("\n", ['sartal-pack', $digest, $signIn, $name, $role, $at]);
    }
}
