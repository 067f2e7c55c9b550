<?php

declare(strict_types=1);

namespace Tests\Feature\Work;

use App\Planning\StoredSteps;
use App\Planning\Touched;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Proof\Record\Event;
use Tests\TestCase;

/** Whoever asks for what was done on one run after the other is told as if each were read by itself. */
final class StoredStepsTest extends TestCase
{
    public function test_runs_that_are_read_ahead_say_what_they_would_say_by_themselves(): void
    {
        $runs = array_map(strval(...), $this->installation->runs()->orderBy('id')->pluck('key')->all());
        // Some tests were of their neighbours too.
        foreach (array_chunk($runs, 3) as $three) {
            DB::update(
                "update events set definition = (definition::jsonb || ?::jsonb)::json
                where kind = 'tested' and run = ?",
                [json_encode(['covers' => $three]), $three[1] ?? $three[0]],
            );
        }
        $random = new Randomizer(new Mt19937(11));
        $told = 0;
        for ($round = 0; $round < 4; $round++) {
            // As a part has them, as somebody might ask for them, and two together as one assembly.
            $steps = new StoredSteps($this->installation, $runs);
            $asked = array_map(
                static fn (array $some): array => $random->shuffleArray($some),
                array_chunk($round === 0 ? $runs : $random->shuffleArray($runs), 1 + $round % 2),
            );
            foreach ($asked as $some) {
                $alone = Touched::events($this->installation, $some);
                self::assertEquals($alone, $steps->with($some), implode(' ', $some));
                $told += count(array_filter($alone, static fn (Event $event): bool => $event->covers() !== []));
            }
        }
        self::assertGreaterThan(0, $told, 'tests that cover others are among them');
    }

    public function test_one_that_is_asked_about_is_read_alone_and_all_of_them_in_few_questions(): void
    {
        $runs = array_map(strval(...), $this->installation->runs()->orderBy('id')->pluck('key')->all());
        $asked = static function (int $many) use ($runs): int {
            $steps = new StoredSteps(\App\Models\StoredInstallation::query()->firstOrFail(), $runs);
            DB::flushQueryLog();
            DB::enableQueryLog();
            foreach (array_slice($runs, 0, $many) as $run) {
                $steps->with([$run]);
            }
            DB::disableQueryLog();

            return count(array_filter(
                DB::getQueryLog(),
                static fn (array $query): bool => str_contains($query['query'], '"events"'),
            ));
        };
        self::assertSame(1, $asked(1));
        self::assertLessThanOrEqual(8, $asked(count($runs)));
        self::assertGreaterThan(40, count($runs));
    }
}
