<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\Plan\Near\Nearby;
use Sartal\Core\Plan\Near\Neighbours;
use Sartal\Core\Plan\Near\OnCard;

/**
 * An installation as far as some of its runs have to do with it: what is said of them there is what the whole would
 * say. Where that is not known, or is too much of it, it is the whole.
 */
final class Near
{
    /** Runs of a part: where it is more, the whole is not much more. */
    public const MOST = 400;

    /** Times that somebody may decide something while it is read. */
    private const TRIES = 3;

    /** @var list<array{string, array<int|string, mixed>, Loaded}> of what, runs, and what was read of them */
    private array $read = [];

    public function __construct(private readonly InstallationStore $store)
    {
    }

    /**
     * As it is decided.
     *
     * @param  list<string>  $runs  ids
     * @param  list<string>  $ties  of what is looked at besides
     */
    public function runs(StoredInstallation $stored, array $runs, array $ties = []): Loaded
    {
        return $this->around(new SourceDecided($stored, $this->store), $runs, $ties);
    }

    /**
     * As the shop works from it.
     *
     * @param  list<string>  $runs  ids
     */
    public function atWork(StoredInstallation $stored, array $runs): Loaded
    {
        return $this->around($this->source($stored), $runs, []);
    }

    /**
     * @param  list<string>  $runs
     * @return list<string> these, what they hang together with, and all that lie with one of those, as it is decided
     */
    public function beside(StoredInstallation $stored, array $runs): array
    {
        return self::along(new SourceDecided($stored, $this->store), $runs);
    }

    /**
     * As the shop works from it, with all that lies with them.
     *
     * @param  list<string>  $runs
     */
    public function besideAtWork(StoredInstallation $stored, array $runs): Loaded
    {
        $source = $this->source($stored);

        return $this->around($source, self::along($source, $runs), []);
    }

    /** @return list<string> runs that lie in a way or are pinned to it, as it is decided; none where nobody knows */
    public function inWay(StoredInstallation $stored, string $way): array
    {
        $cards = (new SourceDecided($stored, $this->store))->cards()?->with(OnCard::Ways, [$way], self::MOST + 1);

        return array_map(strval(...), array_keys($cards ?? []));
    }

    /** @return array<int|string, array{code: string, ways: list<string>}> run → what it is called, and lies in */
    public function inWays(StoredInstallation $stored): array
    {
        $source = new SourceDecided($stored, $this->store);
        if ($source->cards() === null) {
            $source->whole();
        }

        return $source->cards()?->inWays() ?? [];
    }

    /** @param  ?Loaded  $on  the same decisions, where they were read already */
    public function part(StoredInstallation $stored, StoredCards $cards, Nearby $near, ?Loaded $on = null): ?Loaded
    {
        return (new SourceDecided($stored, $this->store))->part($cards, $near, $on);
    }

    /** @return array<array-key, list<string>> what is joined without a run, as it is decided */
    public function between(StoredInstallation $stored): array
    {
        return (new SourceDecided($stored, $this->store))->between();
    }

    /** Everything, as it is decided; with its cards written, so that it need not be everything next time. */
    public function whole(StoredInstallation $stored): Loaded
    {
        return (new SourceDecided($stored, $this->store))->whole();
    }

    private function source(StoredInstallation $stored): Source
    {
        $released = ReleasedRows::of($stored);

        return $released === null
            ? new SourceDecided($stored, $this->store)
            : new SourceReleased($stored, $this->store, $released);
    }

    /**
     * @param  list<string>  $runs
     * @param  list<string>  $ties
     */
    private function around(Source $source, array $runs, array $ties): Loaded
    {
        $known = $ties === [] ? $this->known($source, $runs) : null;
        if ($known !== null) {
            return $known;
        }
        if (count($runs) > self::MOST) {
            return $source->whole();
        }
        for ($try = 0; $try < self::TRIES; $try++) {
            $cards = $source->cards();
            $near = $cards === null ? null : self::neighbours($source, $cards)->around($cards->of($runs), $ties);
            if ($cards === null || $near === null) {
                return $source->whole();
            }
            $part = $source->part($cards, $near);
            if ($part !== null) {
                $this->read[] = [$source->mark(), $near->runs, $part];

                return $part;
            }
            $source->stored()->refresh();
        }

        return $source->whole();
    }

    /**
     * @param  list<string>  $runs
     * @return list<string>
     */
    private static function along(Source $source, array $runs): array
    {
        $cards = $source->cards();
        $near = $cards === null ? null : self::neighbours($source, $cards)->around($cards->of($runs));
        $all = $near === null ? [] : $near->runs + $near->rim;

        return array_values(array_unique([...$runs, ...array_map(strval(...), array_keys($all))]));
    }

    /**
     * @param  list<string>  $runs
     * @return ?Loaded that was read for others in this request, where these are among them
     */
    private function known(Source $source, array $runs): ?Loaded
    {
        foreach ($this->read as [$mark, $of, $part]) {
            $isSame = $mark === $source->mark() && $part->stored->id === $source->stored()->id;
            if ($isSame && array_diff_key(array_flip($runs), $of) === []) {
                return $part;
            }
        }

        return null;
    }

    private static function neighbours(Source $source, StoredCards $cards): Neighbours
    {
        return new Neighbours($cards, $source->between(), self::MOST);
    }
}
