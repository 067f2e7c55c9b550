<?php

declare(strict_types=1);

namespace Tests\Feature\Who;

use App\Models\User;
use App\Who\DemoDoor;
use App\Who\Passwords;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** Whoever tries the demo is told how to come in; of anybody else nothing is said. */
final class DemoDoorTest extends TestCase
{
    /** @return list<string> sign-in names */
    private function named(): array
    {
        $this->app['auth']->forgetGuards();

        return array_column($this->getJson('/api/session')->assertOk()->json('demo.people') ?? [], 'signIn');
    }

    private function stand(): void
    {
        User::query()
            ->where('sign_in', 'like', '%@brackwater.example')
            ->update(['password' => bcrypt(DemoDoor::PASSWORD), 'shown_at_door' => true]);
    }

    public function test_people_of_the_demo_are_named_until_their_password_is_another(): void
    {
        $this->stand();
        $all = $this->named();
        self::assertCount(6, $all);
        self::assertContains('lead@brackwater.example', $all);
        foreach ($all as $signIn) {
            $this->postJson('/api/session', ['signIn' => $signIn, 'password' => DemoDoor::PASSWORD])->assertOk();
            $this->deleteJson('/api/session')->assertOk();
        }
        $lead = User::query()->where('sign_in', 'lead@brackwater.example')->sole();
        $lead->update(['name' => 'Somebody else']);
        self::assertSame($all, $this->named(), 'another name is no password');
        Passwords::set($lead, 'tide barrage copper seven');
        self::assertSame(array_values(array_diff($all, ['lead@brackwater.example'])), $this->named());
    }

    public function test_who_is_signed_in_is_told_nothing_of_it_and_nobody_else_stands_there(): void
    {
        $this->stand();
        self::assertArrayNotHasKey('demo', $this->as('lead')->getJson('/api/session')->assertOk()->json());
        User::query()->update(['shown_at_door' => false]);
        $this->app['auth']->forgetGuards();
        $this->getJson('/api/session')->assertOk()->assertExactJson(['person' => null, 'demo' => null]);
        User::query()->update(['shown_at_door' => true, 'retired_at' => now()]);
        self::assertSame([], $this->named(), 'who has left does not stand there');
    }

    /** A demo of the version before: who still has the password that everybody knows is named, and nobody besides. */
    public function test_a_demo_of_the_version_before_is_known_by_its_passwords(): void
    {
        $this->stand();
        Passwords::set(User::query()->where('sign_in', 'tester@brackwater.example')->sole(), 'tide barrage copper six');
        $other = User::query()->where('sign_in', 'bench@brackwater.example')->sole();
        DB::table('users')->where('id', $other->id)->update(['sign_in' => 'bench@harbour.example']);
        $migration = require database_path('migrations/2026_12_01_000004_add_shown_at_the_door.php');
        $migration->down();
        $migration->up();
        $named = $this->named();
        self::assertCount(4, $named);
        self::assertSame([], array_intersect(['tester@brackwater.example', 'bench@harbour.example'], $named));
    }
}
