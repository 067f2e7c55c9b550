<?php

declare(strict_types=1);

namespace App\Handover;

/**
 * Signs what is released and handed over, with Ed25519 (RFC 8032). Whoever
 * has the public half can check a signature anywhere.
 */
final class Seal
{
    /** @return string base64 */
    public static function sign(string $message): string
    {
        return base64_encode(sodium_crypto_sign_detached($message, SigningKey::current()['secret']));
    }

    /** @param  ?string  $key  base64; null: any that this application signs or has signed with */
    public static function holds(string $message, string $signature, ?string $key = null): bool
    {
        $raw = base64_decode($signature, true);
        if ($raw === false || strlen($raw) !== SODIUM_CRYPTO_SIGN_BYTES) {
            return false;
        }
        foreach ($key === null ? SigningKey::ring() : [$key] as $one) {
            $public = base64_decode($one, true);
            if (
                $public !== false &&
                strlen($public) === SODIUM_CRYPTO_SIGN_PUBLICKEYBYTES &&
                sodium_crypto_sign_verify_detached($raw, $message, $public)
            ) {
                return true;
            }
        }

        return false;
    }

    /** @return string base64, of the public half */
    public static function key(): string
    {
        return SigningKey::current()['public'];
    }
}
