<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\Loaded;
use App\Planning\Touched;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Work\Bench\Covers;
use Sartal\Core\Work\Bench\JobPrints;

/** Where books of jobs are kept: one for what the shop works by, the last one besides, of whatever that was. */
final class JobBooks
{
    private const NAME = 'jobs';

    private const TOOK = 'what jobs took';

    /** What a book is made of. */
    public static function key(StoredInstallation $stored): string
    {
        return Kept::state(self::NAME, $stored->edition(), self::tools($stored));
    }

    /** @return ?JobBook null where there is none, or one of a record that is not this one's */
    public static function read(StoredInstallation $stored, string $key): ?JobBook
    {
        return self::of($stored, Kept::get($stored, self::NAME, $key));
    }

    /** What was kept last, of whatever decisions. */
    public static function last(StoredInstallation $stored): ?JobBook
    {
        return self::of($stored, Kept::last($stored, self::NAME)['body'] ?? null);
    }

    public static function keep(StoredInstallation $stored, string $key, JobBook $book): JobBook
    {
        $took = ['last' => $book->last, 'record' => $book->record, 'took' => $book->took()];
        Kept::put($stored, self::TOOK, $key, serialize($took));
        Kept::put($stored, self::NAME, $key, serialize($book));

        return $book;
    }

    /**
     * How long things took, as the book says that was kept last: of the installation as it is decided and recorded now,
     * or of whatever it was. Hands are as quick by another edition of the code.
     *
     * @return ?array<int|string, list<float>> pace → min for one
     */
    public static function took(StoredInstallation $stored, bool $now): ?array
    {
        $kept = Kept::last($stored, self::TOOK, true);
        $says = $kept === null ? null : unserialize($kept['body'], ['allowed_classes' => false]);
        if ($kept === null || ! is_array($says)) {
            return null;
        }
        /** @var array{last: int, record: string, took: array<int|string, list<float>>} $says */
        if (! Touched::has($stored, $says['last'], $says['record'])) {
            return null;
        }
        $isNow =
            $kept['state'] === self::key($stored) && Touched::last($stored) === [$says['last'], $says['record']];

        return $isNow || ! $now ? $says['took'] : null;
    }

    private static function of(StoredInstallation $stored, ?string $kept): ?JobBook
    {
        $book = $kept === null ? null : unserialize($kept);

        return $book instanceof JobBook && Touched::has($stored, $book->last, $book->record) ? $book : null;
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
}
