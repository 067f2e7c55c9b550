<?php

declare(strict_types=1);

namespace Tests\Feature\Plan;

use App\Planning\Kept;
use App\Planning\MadeOnce;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use RuntimeException;
use Tests\TestCase;

final class MadeOnceTest extends TestCase
{
    private int $made = 0;

    /** @return array{made: int} */
    private function ask(string $name, string $state): array
    {
        return MadeOnce::of($this->installation, $name, Kept::state($state), fn (): array => ['made' => ++$this->made]);
    }

    public function test_it_is_made_once_for_each_state_and_the_next_takes_its_place(): void
    {
        $name = 'tried.'.Str::random();
        self::assertSame([1, 1, 2, 2], array_column(
            [$this->ask($name, 'a'), $this->ask($name, 'a'), $this->ask($name, 'b'), $this->ask($name, 'b')],
            'made',
        ));
        self::assertSame(['made' => 3], $this->ask($name, 'a'));
        self::assertSame(['made' => 4], $this->ask($name.'.of another', 'a'));
    }

    public function test_while_one_makes_it_the_others_are_told_what_was_true_a_moment_ago(): void
    {
        $name = 'tried.'.Str::random();
        $this->ask($name, 'a');
        // Somebody else, on a connection of their own.
        config(['database.connections.other' => config('database.connections.pgsql')]);
        $other = DB::connection('other');
        $key = [$this->installation->id, 'kept '.$name];
        self::assertTrue($other->scalar('select pg_try_advisory_lock(?, hashtext(?))', $key));
        self::assertSame(['made' => 1], $this->ask($name, 'b'));
        self::assertSame(1, $this->made);
        $other->select('select pg_advisory_unlock(?, hashtext(?))', $key);
        $other->disconnect();
        self::assertSame(['made' => 2], $this->ask($name, 'b'));
    }

    public function test_what_others_wait_for_may_take_longer_than_a_page_and_a_worker_as_long_as_it_needs(): void
    {
        $most = static fn (): int => (int) ini_get('max_execution_time');
        $make = fn (int $patience): int => Kept::alone($this->installation, 'tried', $patience, $most);
        try {
            self::assertSame(0, $make(40));
            set_time_limit(900);
            self::assertSame([900, 1000], [$make(40), $make(500)]);
        } finally {
            set_time_limit(0);
        }
    }

    public function test_what_fails_is_not_kept_and_holds_nobody_up(): void
    {
        $name = 'tried.'.Str::random();
        $this->ask($name, 'a');
        try {
            MadeOnce::of(
                $this->installation,
                $name,
                Kept::state('b'),
                static fn (): array => throw new RuntimeException('It broke.'),
            );
            self::fail('It was made.');
        } catch (RuntimeException $broken) {
            self::assertSame('It broke.', $broken->getMessage());
        }
        self::assertSame(['made' => 2], $this->ask($name, 'b'));
    }
}
