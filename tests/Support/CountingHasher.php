<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Contracts\Hashing\Hasher;

/** Says how often a password was compared, which is what takes the time. */
final class CountingHasher implements Hasher
{
    public int $checked = 0;

    public function info($hashedValue): array
    {
        return password_get_info($hashedValue);
    }

    public function make(#[\SensitiveParameter] $value, array $options = []): string
    {
        return password_hash($value, PASSWORD_BCRYPT, ['cost' => 4]);
    }

    public function check(#[\SensitiveParameter] $value, $hashedValue, array $options = []): bool
    {
        $this->checked++;

        return password_verify($value, (string) $hashedValue);
    }

    public function needsRehash($hashedValue, array $options = []): bool
    {
        return false;
    }
}
