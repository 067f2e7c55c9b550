<?php

declare(strict_types=1);

namespace Tests\Feature\Later;

use App\Handover\Seal;
use App\Handover\SigningKey;
use Illuminate\Encryption\Encrypter;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use Tests\TestCase;

/** What is signed is signed with a key of its own, and stays signed when the key is another. */
final class SigningKeyTest extends TestCase
{
    public function test_an_earlier_key_holds_what_it_signed_and_signs_no_more(): void
    {
        $before = Seal::sign('a release');
        $id = SigningKey::current()['id'];
        self::assertSame(0, Artisan::call('sartal:key', ['--new' => true]));
        self::assertNotSame($id, SigningKey::current()['id']);
        self::assertSame([SigningKey::current()['id'], $id], array_map(strval(...), array_keys(SigningKey::ring())));
        self::assertTrue(Seal::holds('a release', $before));
        self::assertFalse(Seal::holds('another release', $before));
        self::assertFalse(Seal::holds('a release', $before, Seal::key()), 'Not by a key that did not sign it.');
        self::assertTrue(Seal::holds('a release', Seal::sign('a release'), Seal::key()));
        self::assertNull(DB::table('signing_keys')->where('id', $id)->value('secret'));
    }

    public function test_the_key_does_not_follow_from_the_applications_secret(): void
    {
        $pair = sodium_crypto_sign_seed_keypair(hash_hmac('sha256', 'sartal seal 1', (string) config('app.key'), true));
        self::assertNotSame(base64_encode(sodium_crypto_sign_publickey($pair)), Seal::key());
        self::assertStringNotContainsString(
            base64_encode(SigningKey::current()['secret']),
            (string) DB::table('signing_keys')->value('secret'),
        );
    }

    public function test_a_host_with_another_secret_checks_and_cannot_sign(): void
    {
        $mark = Seal::sign('a pack');
        Crypt::swap(new Encrypter(random_bytes(32), 'aes-256-cbc'));
        self::assertTrue(Seal::holds('a pack', $mark));
        $this->expectException(RuntimeException::class);
        $this->expectExceptionMessage('This machine cannot sign');
        Seal::sign('a pack');
    }

    public function test_what_earlier_versions_signed_holds(): void
    {
        $pair = sodium_crypto_sign_seed_keypair(hash_hmac('sha256', 'sartal seal 1', (string) config('app.key'), true));
        $mark = base64_encode(sodium_crypto_sign_detached('a release', sodium_crypto_sign_secretkey($pair)));
        self::assertFalse(Seal::holds('a release', $mark));
        SigningKey::keepEarlier();
        self::assertTrue(Seal::holds('a release', $mark));
        self::assertNotSame(base64_encode(sodium_crypto_sign_publickey($pair)), Seal::key());
    }

    public function test_a_pack_is_signed_by_two_keys_and_holds(): void
    {
        $this->as('lead')->postJson('/api/packs')->assertStatus(202);
        $this->postJson('/api/packs/1/signatures', ['role' => 'lead'])->assertCreated();
        SigningKey::make();
        $this->as('tester')
            ->postJson('/api/packs/1/signatures', ['role' => 'tester'])
            ->assertCreated();
        $check = $this->getJson('/api/packs/1/check')->assertOk()->json();
        self::assertSame([true, []], [$check['holds'], $check['problems']]);
        self::assertCount(2, $check['signed']);
    }
}
