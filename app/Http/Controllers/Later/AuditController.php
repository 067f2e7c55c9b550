<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Contract\Answer;
use App\Contract\Query;
use App\Contract\Slips;
use App\Formats\BadLine;
use App\Http\Requests\Later\LogAsked;
use App\Models\StoredInstallation;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Who did what, when: decisions, records, releases and packs in one list, for the lead.
 *
 * @phpstan-type AuditPage array{
 *     count: int,
 *     pages: int,
 *     rows: list<array{
 *         what: string,
 *         words: string,
 *         at: string,
 *         run: string,
 *         who: string,
 *         person: string,
 *     }>,
 *     people: list<array{id: string, name: string}>,
 * }
 */
final class AuditController
{
    private const PAGE = 60;

    private const LOGGED = ['crew', 'exported', 'installation'];

    /**
     * @return Answer<AuditPage>
     */
    public function __invoke(#[Query(LogAsked::class)] LogAsked $asked, StoredInstallation $stored): Answer
    {
        self::checked($asked);
        $all = self::of($stored, $asked->what);
        $rows = DB::query()
            ->fromSub($all, 'log')
            ->join('users', 'users.id', '=', 'log.user_id')
            ->when($asked->who !== '', static fn (Builder $query) => $query->where('users.key', $asked->who))
            ->when(
                $asked->from !== '',
                static fn (Builder $query) => $query->where('log.at', '>=', $asked->from.' 00:00:00+00'),
            )
            ->when(
                $asked->to !== '',
                static fn (Builder $query) => $query->where('log.at', '<=', $asked->to.' 23:59:59.999999+00'),
            );
        foreach (preg_split('~\s+~', trim($asked->q), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $rows->where(DB::raw("log.words || ' ' || users.name"), 'ilike', '%'.addcslashes($word, '%_\\').'%');
        }
        $count = (clone $rows)->count();

        return new Answer([
            'count' => $count,
            'pages' => (int) ceil($count / self::PAGE),
            'rows' => array_values(
                $rows
                    ->orderByDesc('log.at')
                    ->orderByDesc('log.id')
                    ->forPage($asked->page, self::PAGE)
                    ->get(['log.what', 'log.words', 'log.at', 'log.run', 'users.name', 'users.key'])
                    ->map(
                        static fn (object $row): array => [
                            'what' => (string) $row->what,
                            'words' => (string) $row->words,
                            'at' => (string) $row->at,
                            'run' => (string) $row->run,
                            'who' => (string) $row->name,
                            'person' => (string) $row->key,
                        ],
                    )
                    ->all(),
            ),
            'people' => self::people($stored),
        ]);
    }

    /** @return list<array{id: string, name: string}> */
    private static function people(StoredInstallation $stored): array
    {
        $people = [];
        foreach ($stored->names() as $key => $name) {
            $people[] = ['id' => (string) $key, 'name' => $name];
        }

        return $people;
    }

    /** In one query, whatever is asked for. */
    private static function of(StoredInstallation $stored, string $only): Builder
    {
        $parts = [
            'decided' => DB::table('changes')
                ->where('installation_id', $stored->id)
                ->selectRaw("'decided' as what, id, words, created_at as at, '' as run, user_id"),
            'recorded' => DB::table('events')
                ->leftJoin(
                    'runs',
                    static fn ($join) => $join
                        ->on('runs.installation_id', '=', 'events.installation_id')
                        ->on('runs.key', '=', 'events.run'),
                )
                ->where('events.installation_id', $stored->id)
                ->selectRaw(
                    "'recorded' as what,
                    events.id,
                    coalesce(runs.code, events.run) || ' ' || events.said as words,
                    coalesce(events.received::timestamptz, events.created_at) as at,
                    events.run,
                    events.user_id",
                ),
            'released' => DB::table('releases')
                ->where('installation_id', $stored->id)
                ->selectRaw(
                    "'released' as what,
                    id,
                    'release ' || letter || case when note <> '' then ': ' || note else '' end as words,
                    created_at as at,
                    '' as run,
                    user_id",
                ),
            'packed' => DB::table('packs')
                ->where('installation_id', $stored->id)
                ->selectRaw(
                    "'packed' as what,
                    id,
                    'pack ' || number || ', ' || gaps || ' open points' as words,
                    created_at as at,
                    '' as run,
                    user_id",
                ),
            // Not of the record: who may what, and what left as a file.
            ...array_combine(
                self::LOGGED,
                array_map(
                    static fn (string $what): Builder => DB::table('logbook')
                        ->where('installation_id', $stored->id)
                        ->where('what', $what)
                        ->selectRaw("what::text, id, words, created_at as at, '' as run, user_id"),
                    self::LOGGED,
                ),
            ),
        ];
        $parts = $only === '' ? array_values($parts) : [$parts[$only]];
        $first = array_shift($parts);
        foreach ($parts as $part) {
            $first->unionAll($part);
        }

        return $first;
    }

    /** @throws BadLine */
    private static function checked(LogAsked $asked): void
    {
        $slips = new Slips();
        $kinds = ['decided', 'recorded', 'released', 'packed', ...self::LOGGED];
        if ($asked->what !== '' && ! in_array($asked->what, $kinds, true)) {
            $slips->add('what', $asked->what, sprintf('Choose one of %s.', implode(', ', $kinds)));
        }
        foreach (['from' => $asked->from, 'to' => $asked->to] as $field => $day) {
            [$year, $month, $date] = array_map(intval(...), [...explode('-', $day), 0, 0, 0]);
            if ($day !== '' && ! checkdate($month, $date, $year)) {
                $slips->add($field, $day, 'There is no such day. Write one, such as 2026-03-09.');
            }
        }
        $slips->settle();
    }
}
