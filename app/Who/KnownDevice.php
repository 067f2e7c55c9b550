<?php

declare(strict_types=1);

namespace App\Who;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;

/** Which accounts were signed in on a device: kept on it, sealed, and good for nothing but trying again. */
final class KnownDevice
{
    private const COOKIE = 'sartal_device';

    private const DAYS = 180;

    /** A bench has a shared one. */
    private const MOST = 12;

    public static function of(Request $request, ?User $person): bool
    {
        return $person !== null && in_array(self::mark($person), self::marks($request), true);
    }

    public static function remember(Request $request, User $person): void
    {
        $marks = array_slice(
            array_values(array_unique([self::mark($person), ...self::marks($request)])),
            0,
            self::MOST,
        );
        Cookie::queue(
            Cookie::make(self::COOKIE, implode('.', $marks), self::DAYS * 24 * 60, '/', null, null, true, false, 'lax'),
        );
    }

    private static function mark(User $person): string
    {
        return substr(hash('sha256', $person->key), 0, 16);
    }

    /** @return list<string> */
    private static function marks(Request $request): array
    {
        $kept = $request->cookie(self::COOKIE);

        return is_string($kept) && $kept !== '' ? explode('.', $kept) : [];
    }
}
