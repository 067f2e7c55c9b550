<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\Loaded;
use App\Planning\Touched;
use Illuminate\Support\Facades\Cache;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Work\Bench\Covers;
use Sartal\Core\Work\Bench\JobPrints;

/** Where books of jobs are kept: one for what the shop works by, the last one besides, of whatever that was. */
final class JobBooks
{
    /** s */
    private const KEPT = 7 * 24 * 3600;

    public static function key(StoredInstallation $stored): string
    {
        return sprintf(
            'jobs.%s.%s.%s.%s',
            CodeEdition::id(),
            $stored->mark(),
            $stored->edition(),
            self::tools($stored),
        );
    }

    /** @return ?JobBook null where there is none, or one of a record that is not this one's */
    public static function read(StoredInstallation $stored, string $key): ?JobBook
    {
        $kept = Cache::store('file')->get($key);
        $book = is_string($kept) ? unserialize((string) gzdecode($kept)) : null;

        return $book instanceof JobBook && Touched::has($stored, $book->last, $book->record) ? $book : null;
    }

    /** What was kept last, of whatever decisions. */
    public static function last(StoredInstallation $stored): ?JobBook
    {
        $key = Cache::store('file')->get(self::latest($stored));

        return is_string($key) ? self::read($stored, $key) : null;
    }

    public static function keep(StoredInstallation $stored, string $key, JobBook $book): JobBook
    {
        $took = ['key' => $key, 'last' => $book->last, 'record' => $book->record, 'took' => $book->took()];
        Cache::store('file')->put(self::paces($stored), $took, self::KEPT);
        Cache::store('file')->put($key, gzencode(serialize($book), 1), self::KEPT);
        Cache::store('file')->put(self::latest($stored), $key, self::KEPT);

        return $book;
    }

    /**
     * How long things took, as the book says that was kept last: of the installation as it is decided and recorded now,
     * or of whatever it was.
     *
     * @return ?array<int|string, list<float>> pace → min for one
     */
    public static function took(StoredInstallation $stored, bool $now): ?array
    {
        /** @var ?array{key: string, last: int, record: string, took: array<int|string, list<float>>} $kept */
        $kept = Cache::store('file')->get(self::paces($stored));
        if ($kept === null || ! Touched::has($stored, $kept['last'], $kept['record'])) {
            return null;
        }
        $isNow =
            $kept['key'] === self::key($stored) && Touched::last($stored) === [$kept['last'], $kept['record']];

        return $isNow || ! $now ? $kept['took'] : null;
    }

    /**
     * Prints of what jobs follow from, as things are.
     *
     * @param  ?list<string>  $of  assemblies; null: all of them
     * @return array<int|string, string> by assembly
     */
    public static function prints(StoredInstallation $stored, Loaded $loaded, ?array $of = null): array
    {
        $plan = $loaded->plan();
        $covers = new Covers($loaded->installation, $plan->layout, $loaded->dresser());
        $prints = new JobPrints($loaded->installation, $plan, $covers);
        $tools = self::tools($stored);

        return array_map(
            static fn (Assembly $each): string => $prints->of($each).$tools,
            $of === null ? $plan->assemblies : array_intersect_key($plan->assemblies, array_flip($of)),
        );
    }

    /**
     * The same, of a few, from the book that is kept of what the shop works by now.
     *
     * @param  list<string>  $of  assemblies
     * @return ?array<int|string, string> null where not all of them are in one
     */
    public static function keptPrints(StoredInstallation $stored, array $of): ?array
    {
        $jobs = self::read($stored, self::key($stored))->jobs ?? [];
        $prints = [];
        foreach ($of as $id) {
            if (! isset($jobs[$id])) {
                return null;
            }
            $prints[$id] = $jobs[$id]->made;
        }

        return $prints;
    }

    /** Of which tools there are few is today's to say, whatever was released. */
    private static function tools(StoredInstallation $stored): string
    {
        return hash('xxh64', serialize($stored->workshop));
    }

    /** Hands are as quick by another edition of the code. */
    private static function paces(StoredInstallation $stored): string
    {
        return sprintf('jobs.took.%s', $stored->mark());
    }

    /** Under which it is written which book was kept last. */
    private static function latest(StoredInstallation $stored): string
    {
        return sprintf('jobs.latest.%s.%s', CodeEdition::id(), $stored->mark());
    }
}
