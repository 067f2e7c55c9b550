<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;
use Illuminate\Support\Facades\DB;

/** Which runs the last decisions had to do with, one after the other, as far back as that is known. */
final class Lineage
{
    /** Decisions that are looked back on. */
    private const LONG = 60;

    /**
     * Within the transaction of a decision.
     *
     * @param  list<string>  $runs  with which it has to do
     */
    public static function add(StoredInstallation $stored, string $was, string $since, array $runs): void
    {
        DB::table('concerned')->insert([
            'installation_id' => $stored->id,
            'was' => $was,
            'since' => $since,
            'runs' => json_encode($runs, JSON_THROW_ON_ERROR),
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
        $steps = DB::table('concerned')->where('installation_id', $stored->id)->orderByDesc('id')->limit(self::LONG);
        $at = $stored->decisions;
        $runs = [];
        foreach ($steps->get(['was', 'since', 'runs']) as $step) {
            if ($step->since !== $at) {
                continue;
            }
            $of = json_decode($step->runs, true, flags: JSON_THROW_ON_ERROR);
            foreach (is_array($of) ? $of : [] as $run) {
                $runs[] = is_string($run) ? $run : '';
            }
            $runs = array_values(array_unique($runs));
            $at = (string) $step->was;
            if (count($runs) > Near::MOST) {
                return null;
            }
            if ($isFrom($at)) {
                return $runs;
            }
        }

        return null;
    }
}
