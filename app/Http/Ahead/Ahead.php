<?php

declare(strict_types=1);

namespace App\Http\Ahead;

use App\Http\LastOpened;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\Uncollected;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Symfony\Component\Uid\Ulid;
use Throwable;

/**
 * Pages that follow from all runs are made before somebody looks at them: once nothing was decided for a moment, those
 * that were looked at before, while somebody of the crew is there. What is made is what would be made when it is asked
 * for, and whoever asks meanwhile waits for that one.
 */
final readonly class Ahead
{
    /** As which it is written down of what decisions pages were made ahead. */
    public const NAME = 'made ahead';

    /** s without a decision: whoever is at it decides more. */
    private const QUIET = 4;

    /** min since somebody asked for anything, and is still held to be there. */
    private const THERE = 30;

    public function __construct(private AheadPages $pages)
    {
    }

    /** @return ?StoredInstallation of which pages are to be made ahead now */
    public function next(): ?StoredInstallation
    {
        foreach ($this->withSomebodyThere() as $id) {
            $stored = StoredInstallation::query()->find($id);
            $isAhead = $stored === null || Kept::stateOf($stored, self::NAME) === self::state($stored);
            if (! $isAhead && self::isQuiet($stored)) {
                return $stored;
            }
        }

        return null;
    }

    /** @return ?int how many pages were looked through; null where somebody else is at it */
    public function make(StoredInstallation $stored): ?int
    {
        return Kept::unlessMade($stored, self::NAME, function () use ($stored): int {
            // Once: what is too much for one process is made by whoever asks.
            Kept::put($stored, self::NAME, self::state($stored), '');
            $made = 0;
            $all = [fn () => $this->pages->shared($stored)];
            foreach ($this->pages->of($stored) as $page) {
                $all[] = fn () => $this->pages->make($stored, $page);
            }
            foreach ($all as $each) {
                if (! self::isStill($stored)) {
                    return $made;
                }
                try {
                    Uncollected::run($each);
                    $made++;
                } catch (Throwable $failed) {
                    // Whoever asks for it is told; the others are made all the same.
                    Log::error($failed);
                }
            }

            return $made;
        });
    }

    /** @return list<int> */
    private function withSomebodyThere(): array
    {
        $since = now()->subMinutes(self::THERE)->getTimestamp();

        return LastOpened::of(
            DB::table('sessions')->where('last_activity', '>=', $since)->whereNotNull('user_id')->select('user_id'),
        );
    }

    private static function isQuiet(StoredInstallation $stored): bool
    {
        $at = Ulid::isValid($stored->decisions) ? Ulid::fromString($stored->decisions)->getDateTime() : null;

        return $at === null || CarbonImmutable::instance($at)->diffInSeconds(now()) >= self::QUIET;
    }

    private static function isStill(StoredInstallation $stored): bool
    {
        $now = DB::table('installations')->where('id', $stored->id)->first(['decisions', 'release_id']);

        return $now !== null && $now->decisions === $stored->decisions && $now->release_id === $stored->release_id;
    }

    private static function state(StoredInstallation $stored): string
    {
        return Kept::state(self::NAME, $stored->decisions, $stored->edition());
    }
}
