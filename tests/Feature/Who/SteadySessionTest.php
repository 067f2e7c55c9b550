<?php

declare(strict_types=1);

namespace Tests\Feature\Who;

use App\Who\Passwords;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** Signing in is not undone by the answer to what was asked before. */
final class SteadySessionTest extends TestCase
{
    private const WORDS = 'tide barrage copper seven';

    private const BOTH = ['sartal_session', 'XSRF-TOKEN'];

    /** @return list<string> */
    private static function told(TestResponse $answer): array
    {
        $names = array_map(static fn ($cookie): string => $cookie->getName(), $answer->headers->getCookies());

        return array_values(array_intersect(self::BOTH, $names));
    }

    public function test_who_asks_for_the_session_signs_in_or_out_is_told_which_one_it_is(): void
    {
        self::assertSame(self::BOTH, self::told($this->getJson('/api/session')));
        Passwords::set($this->person('lead'), self::WORDS);
        $in = $this->postJson('/api/session', ['signIn' => 'lead@brackwater.example', 'password' => self::WORDS]);
        self::assertSame(self::BOTH, self::told($in->assertOk()));
        self::assertSame(self::BOTH, self::told($this->deleteJson('/api/session')->assertOk()));
    }

    public function test_an_answer_on_its_way_brings_no_session_back(): void
    {
        // Nobody is signed in: refused, and nothing that would replace what a sign-in meanwhile has set.
        self::assertSame([], self::told($this->getJson('/api/schedule')->assertUnauthorized()));
        self::assertSame([], self::told($this->get('/')->assertOk()));
        $lead = $this->as('lead');
        $lead->getJson('/api/session');
        self::assertSame([], self::told($lead->getJson('/api/schedule')->assertOk()));
        self::assertSame([], self::told($lead->getJson('/api/runs/none-such')->assertNotFound()));
    }

    public function test_a_page_that_stays_open_is_told_again_before_its_cookie_runs_out(): void
    {
        $lead = $this->as('lead');
        $lead->getJson('/api/session');
        $this->travel(59)->minutes();
        self::assertSame([], self::told($lead->getJson('/api/schedule')->assertOk()));
        $this->travel(2)->minutes();
        self::assertSame(self::BOTH, self::told($lead->getJson('/api/schedule')->assertOk()));
        self::assertSame([], self::told($lead->getJson('/api/schedule')->assertOk()));
    }

    public function test_another_password_is_another_session_and_the_page_is_told(): void
    {
        Passwords::set($this->person('lead'), self::WORDS);
        $changed = $this->as('lead')->putJson('/api/session/password', [
            'current' => self::WORDS,
            'password' => 'eight reels of screened pair',
        ]);
        self::assertSame(self::BOTH, self::told($changed->assertOk()));
    }
}
