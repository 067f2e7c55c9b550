<?php

declare(strict_types=1);

namespace Tests\Feature\Who;

use App\Models\Organisation;
use App\Models\User;
use App\Who\Invitations;
use App\Who\Passwords;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\CountingHasher;
use Tests\TestCase;

/** Invitations, passwords, devices, and how often one may try. */
final class AccountTest extends TestCase
{
    private const WORDS = 'tide barrage copper seven';

    private function invited(string $signIn, ?Organisation $of = null): string
    {
        $by = $this->person('lead');
        if ($of !== null) {
            $by = self::newcomer('office@rival.example', $of);
            $by->update(['offices' => ['people']]);
        }
        $link = $this->actingAs($by)
            ->postJson('/api/organisation/people', ['name' => 'Niamh Orsted', 'signIn' => $signIn, 'offices' => []])
            ->assertCreated()
            ->json('invitation.link');
        $this->app['auth']->forgetGuards();

        return substr((string) $link, (int) strrpos((string) $link, '/') + 1);
    }

    private function enter(string $signIn, string $password): TestResponse
    {
        $this->app['auth']->forgetGuards();

        return $this->postJson('/api/session', ['signIn' => $signIn, 'password' => $password]);
    }

    public function test_who_was_invited_sets_their_own_password_and_is_in(): void
    {
        $made = $this->as('lead')
            ->postJson('/api/crew', [
                'signIn' => ' Niamh@Brackwater.example ',
                'name' => 'Niamh Orsted',
                'roles' => ['bench'],
                'skills' => ['crimp'],
            ])
            ->assertCreated()
            ->json();
        $token = basename((string) $made['invitation']['link']);
        self::assertStringContainsString('/join/', $made['invitation']['link']);
        self::assertNull($made['invitation']['mailedTo']);
        // The link is nowhere but with whoever was given it.
        self::assertSame(0, DB::table('invitations')->where('token', $token)->count());
        $this->postJson('/api/crew', [
            'signIn' => 'niamh@brackwater.example',
            'name' => 'Other',
            'roles' => ['bench'],
            'skills' => [],
        ])
            ->assertUnprocessable()
            ->assertJsonValidationErrorFor('signIn');
        $this->enter('niamh@brackwater.example', '')->assertUnprocessable();
        $this->getJson('/api/invitations/'.$token)
            ->assertOk()
            ->assertJsonPath('signIn', 'niamh@brackwater.example')
            ->assertJsonPath('organisation', 'Brackwater crew');
        $accept = fn (array $with) => $this->postJson('/api/invitations/'.$token, $with);
        $accept(['signIn' => 'niamh@brackwater.example', 'password' => 'short'])->assertJsonValidationErrorFor(
            'password',
        );
        $accept(['signIn' => 'ni amh', 'password' => self::WORDS])->assertJsonValidationErrorFor('signIn');
        $accept(['signIn' => 'Niamh@Brackwater.example', 'password' => self::WORDS])->assertOk();
        $this->getJson('/api/session')
            ->assertJsonPath('person.skills', ['crimp'])
            ->assertJsonPath('person.id', $made['id']);
        $this->getJson('/api/bench')->assertOk();
        // Once.
        $accept(['password' => self::WORDS])->assertGone();
        $this->getJson('/api/invitations/'.$token)->assertGone();
        $this->enter('niamh@brackwater.example', self::WORDS)->assertOk();
    }

    public function test_a_link_ends_in_time_by_a_newer_one_and_by_retiring(): void
    {
        $token = $this->invited('a@x.example');
        $this->travel(8)->days();
        $this->getJson('/api/invitations/'.$token)->assertGone();
        $this->travelBack();
        $person = User::query()->where('known_as', 'a@x.example')->firstOrFail();
        $older = $this->invited('b@x.example');
        $b = User::query()->where('known_as', 'b@x.example')->firstOrFail();
        $this->as('lead')
            ->postJson('/api/organisation/people/'.$b->key.'/invitation')
            ->assertCreated();
        $this->getJson('/api/invitations/'.$older)->assertGone();
        $newest = basename(
            (string) $this->postJson('/api/organisation/people/'.$person->key.'/invitation')->json(
                'invitation.link',
            ),
        );
        $this->putJson('/api/organisation/people/'.$person->key.'/retired', ['retired' => true])->assertOk();
        $this->getJson('/api/invitations/'.$newest)->assertGone();
        $this->postJson('/api/organisation/people/'.$person->key.'/invitation')->assertUnprocessable();
        $this->getJson('/api/invitations/'.str_repeat('x', 43))->assertGone();
    }

    public function test_of_two_with_one_name_in_two_organisations_the_second_chooses_another(): void
    {
        $rival = Organisation::query()->create(['name' => 'Rival']);
        $first = $this->invited('same@x.example');
        $second = $this->invited('same@x.example', $rival);
        $accept = fn (string $token, string $name) => $this->postJson('/api/invitations/'.$token, [
            'signIn' => $name,
            'password' => self::WORDS,
        ]);
        $accept($second, 'same@x.example')->assertOk();
        $this->app['auth']->forgetGuards();
        $accept($first, 'same@x.example')->assertJsonValidationErrorFor('signIn');
        $accept($first, 'other@x.example')->assertOk();
        self::assertSame(
            ['Brackwater crew', 'Rival'],
            array_map(
                static fn (string $name): string => User::query()->where('sign_in', $name)->firstOrFail()->organisation
                    ->name,
                ['other@x.example', 'same@x.example'],
            ),
        );
    }

    public function test_a_forgotten_password_is_replaced_by_its_owner_and_by_nobody_else(): void
    {
        $tester = $this->person('tester');
        Passwords::set($tester, 'the first one of all');
        $this->as('lead')
            ->postJson('/api/crew/'.$tester->key.'/password')
            ->assertNotFound();
        $answer = $this->postJson('/api/organisation/people/'.$tester->key.'/invitation')->assertCreated();
        self::assertSame(['invitation'], array_keys($answer->json()));
        $this->enter((string) $tester->sign_in, 'the first one of all')->assertOk();
        $this->app['auth']->forgetGuards();
        $token = basename((string) $answer->json('invitation.link'));
        $this->getJson('/api/invitations/'.$token)->assertJsonPath('chooses', false);
        // A name that is there stays, whatever is sent: signatures are under it.
        $this->postJson('/api/invitations/'.$token, [
            'signIn' => 'else@x.example',
            'password' => self::WORDS,
        ])->assertOk();
        self::assertSame('tester@brackwater.example', $tester->refresh()->sign_in);
        $this->enter((string) $tester->sign_in, 'the first one of all')->assertUnprocessable();
        $this->enter((string) $tester->sign_in, self::WORDS)->assertOk();
    }

    public function test_where_mail_is_set_the_link_goes_to_the_person_alone(): void
    {
        config(['mail.default' => 'smtp', 'mail.mailers.smtp' => ['transport' => 'array']]);
        $this->app->forgetInstance('mail.manager');
        Mail::clearResolvedInstances();
        $this->app->forgetInstance(Invitations::class);
        $answer = $this->as('lead')
            ->postJson('/api/organisation/people', ['name' => 'N', 'signIn' => 'n@x.example', 'offices' => []])
            ->assertCreated()
            ->assertJsonPath('invitation.link', null)
            ->assertJsonPath('invitation.mailedTo', 'n@x.example');
        self::assertStringNotContainsString('/join/', (string) $answer->getContent());
        $sent = $this->app->make('mail.manager')->mailer('smtp')->getSymfonyTransport()->messages();
        self::assertCount(1, $sent);
        self::assertStringContainsString('/join/', $sent[0]->getOriginalMessage()->getTextBody());
        // What is no mail address is not mailed to.
        $this->postJson('/api/organisation/people', [
            'name' => 'M',
            'signIn' => 'bench-tablet',
            'offices' => [],
        ])->assertJsonPath('invitation.mailedTo', null);
    }

    /** @return iterable<string, array{string}> */
    public static function weak(): iterable
    {
        yield 'short' => ['eleven char'];
        yield 'one character' => [str_repeat('a', 20)];
        yield 'the sign-in name' => ['bench@brackwater.example'];
        yield 'the name' => ['I am Tove Castellan'];
    }

    #[DataProvider('weak')]
    public function test_a_password_is_long_and_not_a_name(string $password): void
    {
        $bench = $this->person('bench');
        Passwords::set($bench, self::WORDS);
        $this->as('bench')
            ->putJson('/api/session/password', ['current' => self::WORDS, 'password' => $password])
            ->assertJsonValidationErrorFor('password');
        self::assertTrue(Passwords::isOf($bench->refresh(), self::WORDS));
    }

    public function test_one_changes_ones_own_password_and_is_out_everywhere_else(): void
    {
        $bench = $this->person('bench');
        Passwords::set($bench, self::WORDS);
        DB::table('sessions')->insert([
            'id' => 'elsewhere',
            'user_id' => $bench->id,
            'payload' => '',
            'last_activity' => time(),
            'user_agent' => 'Something (Mobile)',
            'ip_address' => '192.0.2.7',
        ]);
        $this->as('bench')
            ->putJson('/api/session/password', ['current' => 'wrong', 'password' => 'quite another one'])
            ->assertJsonValidationErrorFor('current');
        $this->putJson('/api/session/password', [
            'current' => self::WORDS,
            'password' => 'quite another one',
        ])->assertOk();
        self::assertSame(0, DB::table('sessions')->where('id', 'elsewhere')->count());
        $this->enter((string) $bench->sign_in, self::WORDS)->assertUnprocessable();
        $this->enter((string) $bench->sign_in, 'quite another one')->assertOk();
    }

    public function test_all_of_a_long_password_counts(): void
    {
        $bench = $this->person('bench');
        $long = str_repeat('an audible word ', 6);
        Passwords::set($bench, $long.'one');
        self::assertTrue(Passwords::isOf($bench, $long.'one'));
        self::assertFalse(Passwords::isOf($bench, $long.'two'));
    }

    public function test_one_sees_where_one_is_signed_in_and_ends_it_there_and_nobody_elses(): void
    {
        foreach (['bench' => 'one', 'tester' => 'other'] as $role => $id) {
            DB::table('sessions')->insert([
                'id' => $id,
                'user_id' => $this->person($role)->id,
                'payload' => '',
                'last_activity' => 1_700_000_000,
                'user_agent' => 'Something (Mobile)',
                'ip_address' => '192.0.2.7',
            ]);
        }
        $devices = $this->as('bench')->getJson('/api/session/devices')->assertOk()->json('devices');
        self::assertSame(
            ['phone', '192.0.2.7', '2023-11-14T22:13:20Z', false],
            [$devices[0]['kind'], $devices[0]['address'], $devices[0]['seen'], $devices[0]['here']],
        );
        self::assertCount(1, $devices);
        self::assertNotSame('one', $devices[0]['id']);
        $others = $this->as('tester')->getJson('/api/session/devices')->json('devices.0.id');
        $this->as('bench')
            ->deleteJson('/api/session/devices/'.$others)
            ->assertOk();
        self::assertSame(1, DB::table('sessions')->where('id', 'other')->count());
        $this->deleteJson('/api/session/devices/'.$devices[0]['id'])
            ->assertOk()
            ->assertJsonCount(0, 'devices');
        self::assertSame(0, DB::table('sessions')->where('id', 'one')->count());
    }

    public function test_a_name_that_is_known_and_one_that_is_not_cost_the_same_and_say_the_same(): void
    {
        Passwords::set($this->person('bench'), self::WORDS);
        $this->enter('warm-up', 'x')->assertUnprocessable();
        $counting = new CountingHasher();
        Hash::swap($counting);
        $answers = $checks = [];
        foreach (['bench@brackwater.example', 'nobody@brackwater.example', 'planner@brackwater.example'] as $name) {
            $counting->checked = 0;
            $answers[] = $this->enter($name, 'wrong words here')->assertUnprocessable()->getContent();
            $checks[] = $counting->checked;
        }
        self::assertSame([1, 1, 1], $checks);
        self::assertCount(1, array_unique($answers));
    }

    public function test_a_stranger_elsewhere_locks_nobody_out(): void
    {
        $bench = $this->person('bench');
        Passwords::set($bench, self::WORDS);
        $name = (string) $bench->sign_in;
        $from = fn (string $address) => $this->withServerVariables(['REMOTE_ADDR' => $address]);
        $kept = $from('192.0.2.1')->enter($name, self::WORDS)->assertOk()->getCookie('sartal_device', false);
        self::assertNotNull($kept);
        // Sixty slips from twelve addresses: each is stopped by itself …
        for ($i = 0; $i < 12; $i++) {
            for ($slip = 0; $slip < 5; $slip++) {
                $from('198.51.100.'.$i)->enter($name, 'wrong');
            }
            $from('198.51.100.'.$i)
                ->enter($name, self::WORDS)
                ->assertTooManyRequests();
        }
        // … a new device has to wait as well by then, one that was here before has not.
        $from('203.0.113.9')->enter($name, self::WORDS)->assertTooManyRequests();
        $this->withCredentials()->withUnencryptedCookie('sartal_device', (string) $kept->getValue());
        $from('203.0.113.9')->enter($name, self::WORDS)->assertOk();
        // Somebody else from one of these addresses is let in.
        Passwords::set($this->person('tester'), self::WORDS);
        $from('198.51.100.1')->enter('tester@brackwater.example', self::WORDS)->assertOk();
    }
}
