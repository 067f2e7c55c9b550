<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Near\Nearby;
use Sartal\Core\Plan\Near\Neighbours;
use Sartal\Core\Plan\Near\TieName;

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

    /** @var list<array{string, array<int|string, mixed>, Loaded}> decisions, runs and what was read of them */
    private array $read = [];

    public function __construct(private readonly InstallationStore $store)
    {
    }

    /**
     * @param  list<string>  $runs  ids
     * @param  list<string>  $ties  of what is looked at besides
     */
    public function runs(StoredInstallation $stored, array $runs, array $ties = []): Loaded
    {
        $known = $ties === [] ? $this->known($stored, $runs) : null;
        if ($known !== null) {
            return $known;
        }
        for ($try = 0; $try < self::TRIES; $try++) {
            $cards = StoredCards::current($stored);
            $near = $cards === null
                ? null
                : self::neighbours($stored, $cards)->around($cards->of($runs), $ties);
            if ($cards === null || $near === null) {
                return $this->whole($stored);
            }
            $part = $this->part($stored, $cards, $near);
            if ($part !== null) {
                $this->read[] = [$stored->decisions, $near->runs, $part];

                return $part;
            }
            $stored->refresh();
        }

        return $this->whole($stored);
    }

    /**
     * @param  list<string>  $runs
     * @return list<string> these, what they hang together with, and all that lie with one of those
     */
    public function beside(StoredInstallation $stored, array $runs): array
    {
        $cards = StoredCards::current($stored);
        $near = $cards === null
            ? null
            : self::neighbours($stored, $cards)->around($cards->of($runs));
        $all = $near === null ? [] : $near->runs + $near->rim;

        return array_values(array_unique([...$runs, ...array_map(strval(...), array_keys($all))]));
    }

    /**
     * @param  list<string>  $runs
     * @return ?Loaded that was read for others in this request, where these are among them
     */
    private function known(StoredInstallation $stored, array $runs): ?Loaded
    {
        foreach ($this->read as [$decisions, $of, $part]) {
            $isSame = $decisions === $stored->decisions && $part->stored->id === $stored->id;
            if ($isSame && array_diff_key(array_flip($runs), $of) === []) {
                return $part;
            }
        }

        return null;
    }

    /**
     * @param  ?Loaded  $on  the same decisions, where they were read already
     * @return ?Loaded null where somebody has decided something meanwhile
     */
    public function part(StoredInstallation $stored, StoredCards $cards, Nearby $near, ?Loaded $on = null): ?Loaded
    {
        $beyond = Beyond::of($near->runs + $near->rim, $cards, $cards->clashes);
        $part = $this->store->part($stored, $near, $beyond, $cards->chosen, $on);
        $now = DB::table('installations')->where('id', $stored->id)->value('decisions');

        return $now === $stored->decisions ? $part : null;
    }

    /** Everything; with its cards written, so that it need not be everything next time. */
    public function whole(StoredInstallation $stored): Loaded
    {
        $loaded = $this->store->load($stored);
        if (StoredCards::current($stored) === null) {
            StoredCards::fill($stored, $loaded->installation);
        }

        return $loaded;
    }

    private static function neighbours(StoredInstallation $stored, StoredCards $cards): Neighbours
    {
        return new Neighbours($cards, self::between($stored), self::MOST);
    }

    /** @return array<array-key, list<string>> what is joined without a run */
    public static function between(StoredInstallation $stored): array
    {
        $joined = self::connections($stored);

        return TieName::between($joined['links'], $joined['switches'], $joined['matings']);
    }

    /** @return array{matings: list<Mating>, links: list<Link>, switches: array<int|string, PanelSwitch>, ...} */
    public static function connections(StoredInstallation $stored): array
    {
        $problems = new Problems();
        $joined = FileDecoder::connections(Fields::from($stored->panel, 'panel', $problems));
        $problems->settle();

        return $joined;
    }
}
