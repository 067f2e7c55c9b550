<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;
use Generator;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Which runs the last decisions had to do with, one after the other, as far back as that is known. */
final class Lineage
{
    /** Decisions that are looked back on. */
    private const LONG = 60;

    /**
     * Within the transaction of a decision.
     *
     * @param  list<string>  $runs  with which it has to do
     * @param  list<string>  $around  those, and all that are dressed with one of them where that is another dress
     * @param  int  $wrong  by how much more is found to be wrong, and not only noted
     */
    public static function add(
        StoredInstallation $stored,
        string $was,
        string $since,
        array $runs,
        array $around,
        int $wrong,
    ): void {
        DB::table('concerned')->insert([
            'installation_id' => $stored->id,
            'was' => $was,
            'since' => $since,
            'runs' => json_encode($runs, JSON_THROW_ON_ERROR),
            'around' => json_encode($around, JSON_THROW_ON_ERROR),
            'wrong' => $wrong,
        ]);
        DB::delete(
            'delete from concerned where installation_id = ? and id <= (
                select id from concerned where installation_id = ? order by id desc offset ? limit 1
            )',
            [$stored->id, $stored->id, self::LONG],
        );
    }

    /**
     * @param  Closure(string): bool  $isFrom  of decisions, whether it is these that something was made of
     * @return ?list<string> runs that had to do with what was decided since; null where that may be any, or is too much
     */
    public static function since(StoredInstallation $stored, Closure $isFrom): ?array
    {
        return self::named($stored, $isFrom, static fn (stdClass $step): string => (string) $step->runs);
    }

    /**
     * @param  Closure(string): bool  $isFrom  of decisions, whether it is these that something was made of
     * @return ?list<string> the same, with all that are dressed with one of them where that is another dress
     */
    public static function around(StoredInstallation $stored, Closure $isFrom): ?array
    {
        return self::named($stored, $isFrom, static fn (stdClass $step): string => (string) $step->around);
    }

    /**
     * @param  Closure(string): bool  $isFrom
     * @param  Closure(stdClass): string  $named
     * @return ?list<string>
     */
    private static function named(StoredInstallation $stored, Closure $isFrom, Closure $named): ?array
    {
        $runs = [];
        foreach (self::back($stored) as $step) {
            $of = json_decode($named($step), true, flags: JSON_THROW_ON_ERROR);
            $runs += array_fill_keys(array_filter(is_array($of) ? $of : [], is_string(...)), true);
            if (count($runs) > Near::MOST) {
                return null;
            }
            if ($isFrom((string) $step->was)) {
                return array_map(strval(...), array_keys($runs));
            }
        }

        return null;
    }

    /**
     * @param  Closure(string): bool  $isFrom  of decisions, whether it was counted then
     * @return ?int by how much more is found to be wrong since; null where that is not known
     */
    public static function wrong(StoredInstallation $stored, Closure $isFrom): ?int
    {
        $wrong = 0;
        foreach (self::back($stored) as $step) {
            $wrong += (int) $step->wrong;
            if ($isFrom((string) $step->was)) {
                return $wrong;
            }
        }

        return null;
    }

    /** @return Generator<stdClass> the last decision, and those before it, as long as one follows on the other */
    private static function back(StoredInstallation $stored): Generator
    {
        $steps = DB::table('concerned')->where('installation_id', $stored->id)->orderByDesc('id')->limit(self::LONG);
        $at = $stored->decisions;
        foreach ($steps->get(['was', 'since', 'runs', 'around', 'wrong']) as $step) {
            if ($step->since === $at) {
                $at = (string) $step->was;
                yield $step;
            }
        }
    }
}
