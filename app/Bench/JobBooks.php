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

    /** What a book is made of. */
    public static function key(StoredInstallation $stored): string
    {
        return self::keyAt($stored, $stored->edition());
    }

    /** The same of another edition of what the shop works by. */
    public static function keyAt(StoredInstallation $stored, string $edition): string
    {
        return Kept::state(self::NAME, $edition, self::tools($stored));
    }

    /**
     * What was kept of other decisions follows from these as well, but for some jobs.
     *
     * @param  array<int|string, string>  $rows  parts that are other ones than in the book before
     */
    public static function bring(StoredInstallation $stored, JobBook $before, JobBook $now, array $rows): JobBook
    {
        $names = [];
        for ($part = 0; $part < $now->index->parts(); $part++) {
            array_push($names, ...array_map(static fn (JobSide $side): string => $side->name($part), JobSide::cases()));
        }
        Kept::bring($stored, $names, $before->state, $now->state);

        return self::keep($stored, $now, $rows);
    }

    /** @return ?JobBook null where there is none, or one of a record that is not this one's */
    public static function read(StoredInstallation $stored, string $key): ?JobBook
    {
        return self::of($stored, $key, Kept::get($stored, self::NAME, $key));
    }

    /** @return ?string what the one that is kept was made of, which is not read for that; null where there is none */
    public static function keptOf(StoredInstallation $stored): ?string
    {
        return Kept::stateOf($stored, self::NAME);
    }

    /** What was kept last, of whatever decisions. */
    public static function last(StoredInstallation $stored): ?JobBook
    {
        $kept = Kept::last($stored, self::NAME);

        return $kept === null ? null : self::of($stored, $kept['state'], $kept['body']);
    }

    /** @param  array<int|string, string>  $rows  its parts, by the names under which they are kept */
    public static function keep(StoredInstallation $stored, JobBook $book, array $rows): JobBook
    {
        Kept::putAll($stored, [self::NAME => $book->written] + $rows, $book->state);

        return $book;
    }

    /**
     * @param  array<int|string, string>  $rows  parts that are other ones than in the book before
     * @return bool whether that is still the one that is kept
     */
    public static function replace(StoredInstallation $stored, JobBook $before, JobBook $after, array $rows): bool
    {
        $bodies = [self::NAME => $after->written] + $rows;

        return Kept::replace($stored, self::NAME, $before->state, $before->written, $bodies);
    }

    /**
     * How long things took and what was found, as the book says that was kept last, of whatever decisions. Hands are as
     * quick by another edition of the code.
     */
    public static function lastIndex(StoredInstallation $stored): ?JobIndex
    {
        $kept = Kept::last($stored, self::NAME, true);
        $index = $kept === null ? null : JobIndex::read($kept['body']);

        return $index !== null && Touched::has($stored, $index->last, $index->record) ? $index : null;
    }

    private static function of(StoredInstallation $stored, string $state, ?string $kept): ?JobBook
    {
        $book = $kept === null ? null : JobBook::read($stored, $state, $kept);

        return $book !== null && Touched::has($stored, $book->index->last, $book->index->record) ? $book : null;
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
        $book = self::read($stored, self::key($stored));
        $prints = [];
        try {
            foreach ($of as $id) {
                $prints[$id] = $book?->job($id)?->line->made;
            }
        } catch (TornBook) {
            return null;
        }

        return in_array(null, $prints, true) ? null : array_filter($prints, is_string(...));
    }

    /** Of which tools there are few is today's to say, whatever was released. */
    private static function tools(StoredInstallation $stored): string
    {
        return hash('xxh64', serialize($stored->workshop));
    }
}
