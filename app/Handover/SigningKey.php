<?php

declare(strict_types=1);

namespace App\Handover;

use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use stdClass;

/**
 * What this application signs with, and the ring of what it signed with
 * before. The secret halves are in the database, sealed with the
 * application's own secret: a host that has the database and another secret
 * can check everything and sign nothing.
 */
final class SigningKey
{
    /** How a key followed from the application's secret before keys were their own. */
    private const PURPOSE = 'sartal seal 1';

    /** @return array{id: string, public: string, secret: non-empty-string} base64; secret: raw */
    public static function current(): array
    {
        $row = self::inUse();
        if ($row === null) {
            self::make();
            $row = self::inUse() ?? throw new RuntimeException('There is no signing key.');
        }
        try {
            $secret = base64_decode(Crypt::decryptString((string) $row->secret), true);
        } catch (DecryptException) {
            throw new RuntimeException(
                'This machine cannot sign: its secret (APP_KEY) is not the one that the signing key was sealed with. '.
                    'Put back the secret that belongs to this database, or make a new key with sartal:key.',
            );
        }
        if (! is_string($secret) || strlen($secret) !== SODIUM_CRYPTO_SIGN_SECRETKEYBYTES) {
            throw new RuntimeException('The signing key in the database is damaged. Restore it from a backup.');
        }

        return ['id' => (string) $row->id, 'public' => (string) $row->public, 'secret' => $secret];
    }

    private static function inUse(): ?stdClass
    {
        return DB::table('signing_keys')->whereNotNull('secret')->orderByDesc('made_at')->orderByDesc('id')->first();
    }

    /** @return array<int|string, string> id → public half, base64, the latest first */
    public static function ring(): array
    {
        /** @var array<int|string, string> */
        return DB::table('signing_keys')->orderByDesc('made_at')->orderByDesc('id')->pluck('public', 'id')->all();
    }

    public static function id(string $public): string
    {
        return substr(hash('sha256', (string) base64_decode($public, true)), 0, 16);
    }

    /** Another one, which signs from now on; those before it stay in the ring and sign no more. */
    public static function make(): void
    {
        DB::transaction(static function (): void {
            DB::select("select pg_advisory_xact_lock(hashtext('signing key'))");
            DB::table('signing_keys')->update(['secret' => null]);
            $pair = sodium_crypto_sign_keypair();
            $public = base64_encode(sodium_crypto_sign_publickey($pair));
            DB::table('signing_keys')->insert([
                'id' => self::id($public),
                'public' => $public,
                'secret' => Crypt::encryptString(base64_encode(sodium_crypto_sign_secretkey($pair))),
                'made_at' => now('UTC')->format('Y-m-d H:i:s.uP'),
            ]);
        });
    }

    /** Into the ring: what packs and releases of earlier versions are signed with. */
    public static function keepEarlier(): void
    {
        $secret = config('app.key');
        if (! is_string($secret) || $secret === '') {
            return;
        }
        $pair = sodium_crypto_sign_seed_keypair(hash_hmac('sha256', self::PURPOSE, $secret, true));
        $public = base64_encode(sodium_crypto_sign_publickey($pair));
        DB::table('signing_keys')->insertOrIgnore([
            'id' => self::id($public),
            'public' => $public,
            'secret' => null,
            // Before every other one.
            'made_at' => '2026-01-01 00:00:00+00',
        ]);
    }
}
