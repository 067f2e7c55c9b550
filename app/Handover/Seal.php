<?php

declare(strict_types=1);

namespace App\Handover;

/**
 * Signs what is released and handed over, with Ed25519 (RFC 8032). The key
 * follows from the application's own secret and never leaves it; whoever has
 * the public half can check a signature anywhere.
 */
final class Seal
{
    private const PURPOSE = 'sartal seal 1';

    /** @return string base64 */
    public static function sign(string $message): string
    {
        return base64_encode(sodium_crypto_sign_detached($message, sodium_crypto_sign_secretkey(self::pair())));
    }

    /** @param  ?string  $key  base64; null: this application's own */
    public static function holds(string $message, string $signature, ?string $key = null): bool
    {
        $raw = base64_decode($signature, true);
        $public = base64_decode($key ?? self::key(), true);
        if (
            $raw === false ||
            strlen($raw) !== SODIUM_CRYPTO_SIGN_BYTES ||
            $public === false ||
            strlen($public) !== SODIUM_CRYPTO_SIGN_PUBLICKEYBYTES
        ) {
            return false;
        }

        return sodium_crypto_sign_verify_detached($raw, $message, $public);
    }

    /** @return string base64, of the public half */
    public static function key(): string
    {
        return base64_encode(sodium_crypto_sign_publickey(self::pair()));
    }

    /** @return non-empty-string */
    private static function pair(): string
    {
        $secret = config('app.key');
        if (! is_string($secret) || $secret === '') {
            throw new \RuntimeException('The application has no secret: APP_KEY is empty. bin/start makes one.');
        }

        return sodium_crypto_sign_seed_keypair(hash_hmac('sha256', self::PURPOSE, $secret, true));
    }
}
