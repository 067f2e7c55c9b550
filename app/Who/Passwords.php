<?php

declare(strict_types=1);

namespace App\Who;

use App\Contract\Refusal;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Passwords: long enough, everybody's own, and compared in the same time whether there is one or not. */
final class Passwords
{
    public const LEAST = 12;

    public const MOST = 200;

    /** bcrypt reads no more than 72 bytes: what is longer is hashed before, so that all of it counts. */
    private const READ = 72;

    private static ?string $nobodys = null;

    /** Whether it is this person's; as long for nobody as for somebody. */
    public static function isOf(?User $person, string $password): bool
    {
        $hash = $person->password ?? (self::$nobodys ??= Hash::make(bin2hex(random_bytes(16))));

        return Hash::check(self::readable($password), $hash) && $person?->password !== null;
    }

    /** @throws Refusal */
    public static function set(User $person, string $password): void
    {
        self::check($person, $password);
        $person->update(['password' => Hash::make(self::readable($password))]);
    }

    /** Everybody who is signed in as this person, but for one device. */
    public static function endSessions(User $person, ?string $but = null): void
    {
        DB::table('sessions')
            ->where('user_id', $person->id)
            ->when($but !== null, static fn ($query) => $query->where('id', '<>', $but))
            ->delete();
    }

    /** @throws Refusal */
    private static function check(User $person, string $password): void
    {
        $wrong = match (true) {
            mb_strlen($password) < self::LEAST => sprintf(
                'should be at least %d characters: three or four words that belong to nothing do well.',
                self::LEAST,
            ),
            count(array_unique(mb_str_split($password))) < 4 => 'should not be one character again and again.',
            self::isNamed($password, $person) => 'should not be your name.',
            default => null,
        };
        if ($wrong !== null) {
            throw Refusal::of('password', 'The password '.$wrong);
        }
    }

    private static function isNamed(string $password, User $person): bool
    {
        return self::says($password, $person->name) ||
            self::says($password, $person->sign_in ?? '') ||
            self::says($password, $person->known_as ?? '');
    }

    private static function says(string $password, string $name): bool
    {
        return $name !== '' && mb_stripos($password, $name) !== false;
    }

    private static function readable(string $password): string
    {
        return strlen($password) <= self::READ ? $password : base64_encode(hash('sha256', $password, true));
    }
}
