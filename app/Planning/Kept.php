<?php

declare(strict_types=1);

namespace App\Planning;

use App\Bench\CodeEdition;
use App\Models\StoredInstallation;
use Closure;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Lottery;
use RuntimeException;

/**
 * What was made of an installation and is kept until it changes: one of each name, with the state that it was made of.
 * Beside the installation in the database, so that everybody who serves it finds it, and it goes with it. Made by one,
 * however many ask; who dies over it leaves it to the next.
 */
final class Kept
{
    /** Of one installation, at most. */
    private const BOUND = 15_000;

    /** Octets of one installation, at most. */
    private const OCTETS = 400_000_000;

    private const DAYS = 7;

    /** Octets that are not worth packing. */
    private const SHORT = 2_000;

    /** What is packed here begins so, and nothing else that is written down does. */
    private const DEFLATED = "\x1f\x00";

    private const GZIPPED = "\x1f\x8b";

    /** By so many a part is called more than its whole, at most. */
    private const WORDS = 2;

    /** Of so many that are kept, one looks whether there are too many. */
    private const PRUNED = 40;

    /** s that others wait while one makes it. */
    private const PATIENCE = 120;

    /** ms between two looks whether it is made. */
    private const LOOKS = 50;

    /** What it is made of besides is for whoever makes it to say; by which code it was made is said here. */
    public static function state(string ...$parts): string
    {
        return CodeEdition::id().'.'.hash('xxh128', implode("\n", $parts));
    }

    /** @return ?string null where nothing is kept, or what was made of another state */
    public static function get(StoredInstallation $stored, string $name, string $state): ?string
    {
        $kept = self::last($stored, $name);

        return $kept !== null && $kept['state'] === $state ? $kept['body'] : null;
    }

    /** @return ?string of what state it is kept, which is not read for that; null where it is not */
    public static function stateOf(StoredInstallation $stored, string $name): ?string
    {
        $row = DB::table('kept')->where('installation_id', $stored->id)->where('name', self::short($name));
        $state = $row->value('state');

        return is_string($state) ? $state : null;
    }

    /**
     * @param  bool  $byAny  by whatever code it was made
     * @return ?array{state: string, body: string} whatever it was made of, by this code
     */
    public static function last(StoredInstallation $stored, string $name, bool $byAny = false): ?array
    {
        $row = DB::table('kept')->where('installation_id', $stored->id)->where('name', self::short($name));
        $found = $row->first(['state', 'body']);
        if ($found === null || (! $byAny && ! str_starts_with((string) $found->state, CodeEdition::id().'.'))) {
            return null;
        }
        $body = self::read($found->body);

        return $body === null ? null : ['state' => (string) $found->state, 'body' => $body];
    }

    /**
     * @param  list<string>  $names
     * @return array<int|string, string> those of them that are kept, made of that state, by name
     */
    public static function all(StoredInstallation $stored, array $names, string $state): array
    {
        if ($names === []) {
            return [];
        }
        $bodies = [];
        $rows = DB::table('kept')->where('installation_id', $stored->id)->whereIn('name', $names);
        foreach ($rows->where('state', $state)->get(['name', 'body']) as $row) {
            $bodies[(string) $row->name] = self::read($row->body);
        }

        return array_filter($bodies, is_string(...));
    }

    /**
     * Written down together, unless what was read under a name has given way to something else meanwhile.
     *
     * @param  string  $read  what that was
     * @param  array<int|string, string>  $bodies  by name
     */
    public static function replace(
        StoredInstallation $stored,
        string $name,
        string $state,
        string $read,
        array $bodies,
    ): bool {
        return DB::transaction(static function () use ($stored, $name, $state, $read, $bodies): bool {
            $row = DB::table('kept')->where('installation_id', $stored->id)->where('name', self::short($name));
            $row->where('state', $state)->lockForUpdate();
            if (self::read($row->value('body')) !== $read) {
                return false;
            }
            self::putAll($stored, $bodies, $state);

            return true;
        });
    }

    /**
     * What was made of one state follows from another as well.
     *
     * @param  list<string>  $names
     */
    public static function bring(StoredInstallation $stored, array $names, string $was, string $state): void
    {
        $rows = DB::table('kept')->where('installation_id', $stored->id)->whereIn('name', $names);
        $rows->where('state', $was)->update(['state' => $state, 'made_at' => DB::raw('now()')]);
    }

    /** What somebody else has kept of this name gives way. */
    public static function put(StoredInstallation $stored, string $name, string $state, string $body): void
    {
        self::putAll($stored, [$name => $body], $state);
    }

    /** @param  array<int|string, string>  $bodies  by name */
    public static function putAll(StoredInstallation $stored, array $bodies, string $state): void
    {
        if ($bodies === []) {
            return;
        }
        // Two that write several of the same names take them in one order.
        ksort($bodies, SORT_STRING);
        $rows = [];
        foreach ($bodies as $name => $body) {
            $name = self::short((string) $name);
            array_push($rows, $stored->id, $name, $state, base64_encode(self::packed($body)));
        }
        DB::insert(
            sprintf(
                'insert into kept (installation_id, name, state, body, made_at) values %s
                on conflict (installation_id, name) do update
                set state = excluded.state, body = excluded.body, made_at = excluded.made_at',
                implode(', ', array_fill(0, count($bodies), "(?, ?, ?, decode(?, 'base64'), now())")),
            ),
            $rows,
        );
        Lottery::odds(1, self::PRUNED)->winner(static fn () => self::prune($stored))->choose();
    }

    /** Megabytes of what is said over and over come to a tenth; what is short, or packed already, stays as it is. */
    public static function packed(string $body): string
    {
        $isPacked = str_starts_with($body, self::GZIPPED) || str_starts_with($body, self::DEFLATED);

        return strlen($body) < self::SHORT || $isPacked
            ? $body
            : self::DEFLATED.gzdeflate($body, 1);
    }

    /** @param  mixed  $column  as the database hands it out */
    private static function read(mixed $column): ?string
    {
        $body = is_resource($column) ? stream_get_contents($column) : $column;

        return is_string($body) ? self::unpacked($body) : null;
    }

    private static function unpacked(string $body): string
    {
        return str_starts_with($body, self::DEFLATED)
            ? (string) gzinflate(substr($body, strlen(self::DEFLATED)))
            : $body;
    }

    /**
     * Made once of a state, while others wait for it.
     *
     * @template T of array<array-key, mixed>
     *
     * @param  Closure(): T  $make
     * @return T
     */
    public static function once(StoredInstallation $stored, string $name, string $state, Closure $make): array
    {
        $kept = self::array($stored, $name, $state);
        if ($kept !== null) {
            /** @var T */
            return $kept;
        }

        /** @var T */
        return self::alone($stored, $name, self::PATIENCE, static function () use (
            $stored,
            $name,
            $state,
            $make,
        ): array {
            $kept = self::array($stored, $name, $state);
            if ($kept === null) {
                $kept = $make();
                self::put($stored, $name, $state, serialize($kept));
            }

            return $kept;
        });
    }

    /** @return ?array<array-key, mixed> */
    private static function array(StoredInstallation $stored, string $name, string $state): ?array
    {
        $kept = self::get($stored, $name, $state);
        $value = $kept === null ? null : unserialize($kept);

        return is_array($value) ? $value : null;
    }

    /** What is old goes, and the oldest of more than there is room for. */
    public static function prune(StoredInstallation $stored): void
    {
        self::renew($stored);
        DB::delete(
            'delete from kept where installation_id = ? and (made_at < now() - make_interval(days => ?) or name in (
                select name from (
                    select name,
                        row_number() over (order by made_at desc) as many,
                        sum(octet_length(body)) over (order by made_at desc) as octets
                    from kept where installation_id = ?
                ) as all_of_it
                where many > ? or octets > ?
            ))',
            [$stored->id, self::DAYS, $stored->id, self::BOUND, self::OCTETS],
        );
    }

    /**
     * A part that nobody had to write again is as old as the whole, which is written again and again: it is called like
     * that, and by a word or two more. Not by the database, which would compare every name with every other one where
     * it does not know yet how many there are.
     */
    private static function renew(StoredInstallation $stored): void
    {
        $made = [];
        $rows = DB::table('kept')->where('installation_id', $stored->id);
        foreach ($rows->get(['name', 'state', 'made_at']) as $row) {
            $made[$row->name] = [(string) $row->state, (string) $row->made_at];
        }
        $names = $times = [];
        foreach ($made as $name => [$state, $at]) {
            $whole = (string) $name;
            foreach (range(1, self::WORDS) as $_) {
                $whole = (string) preg_replace('~ [^ ]+$~', '', $whole);
                [$of, $again] = $made[$whole] ?? ['', ''];
                if ($of === $state && strtotime($again) > strtotime($at)) {
                    [$names[(string) $name], $times[(string) $name]] = [(string) $name, $at = $again];
                }
            }
        }
        if ($names !== []) {
            DB::update(
                'update kept set made_at = renewed.made_at
                from unnest(?::text[], ?::timestamptz[]) as renewed (name, made_at)
                where kept.installation_id = ? and kept.name = renewed.name',
                [TextArray::of(array_values($names)), TextArray::of(array_values($times)), $stored->id],
            );
        }
    }

    /**
     * While nobody else makes it; others wait, and look then whether it is there.
     *
     * @template T
     *
     * @param  Closure(): T  $make
     * @param  int  $patience  s
     * @return T
     */
    public static function alone(StoredInstallation $stored, string $name, int $patience, Closure $make): mixed
    {
        $until = microtime(true) + $patience;
        while (! self::lock($stored, $name)) {
            if (microtime(true) > $until) {
                throw new RuntimeException(sprintf('Somebody else has been making "%s" for too long.', $name));
            }
            usleep(1000 * self::LOOKS);
        }
        // What others wait for may take longer than a page.
        TimeLimit::raise(2 * $patience);
        try {
            return $make();
        } finally {
            self::unlock($stored, $name);
        }
    }

    /**
     * Unless somebody else is at it.
     *
     * @template T
     *
     * @param  Closure(): T  $make
     * @return T|null
     */
    public static function unlessMade(StoredInstallation $stored, string $name, Closure $make): mixed
    {
        if (! self::lock($stored, $name)) {
            return null;
        }
        try {
            return $make();
        } finally {
            self::unlock($stored, $name);
        }
    }

    private static function lock(StoredInstallation $stored, string $name): bool
    {
        return DB::scalar('select pg_try_advisory_lock(?, hashtext(?))', self::key($stored, $name)) === true;
    }

    private static function unlock(StoredInstallation $stored, string $name): void
    {
        DB::select('select pg_advisory_unlock(?, hashtext(?))', self::key($stored, $name));
    }

    /** @return array{int, string} apart from the locks under which is recorded */
    private static function key(StoredInstallation $stored, string $name): array
    {
        return [$stored->id, 'kept '.$name];
    }

    private static function short(string $name): string
    {
        return strlen($name) <= 160 ? $name : substr($name, 0, 120).' '.hash('xxh128', $name);
    }
}
