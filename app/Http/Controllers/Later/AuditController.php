<?php

declare(strict_types=1);

namespace App\Http\Controllers\Later;

use App\Models\StoredInstallation;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Who did what, when: decisions, records, releases and packs in one list, for the lead. */
final class AuditController
{
    private const PAGE = 60;

    private const LOGGED = ['crew', 'exported', 'installation'];

    public function __invoke(Request $request, StoredInstallation $stored): JsonResponse
    {
        $request->validate([
            'q' => 'nullable|string|max:100',
            'who' => 'nullable|string|max:200',
            'what' => 'nullable|in:decided,recorded,released,packed,crew,exported,installation',
            'from' => 'nullable|date_format:Y-m-d',
            'to' => 'nullable|date_format:Y-m-d',
            'page' => 'nullable|integer|min:1|max:100000',
        ]);
        $all = self::of($stored, $request->string('what')->toString());
        $rows = DB::query()
            ->fromSub($all, 'log')
            ->join('users', 'users.id', '=', 'log.user_id')
            ->when(
                $request->string('who')->toString() !== '',
                static fn (Builder $query) => $query->where('users.key', $request->string('who')->toString()),
            )
            ->when(
                $request->string('from')->toString() !== '',
                static fn (Builder $query) => $query->where(
                    'log.at',
                    '>=',
                    $request->string('from')->toString().' 00:00:00+00',
                ),
            )
            ->when(
                $request->string('to')->toString() !== '',
                static fn (Builder $query) => $query->where(
                    'log.at',
                    '<=',
                    $request->string('to')->toString().' 23:59:59.999999+00',
                ),
            );
        foreach (preg_split('~\s+~', trim($request->string('q')->toString()), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $rows->where(DB::raw("log.words || ' ' || users.name"), 'ilike', '%'.addcslashes($word, '%_\\').'%');
        }
        $page = max(1, $request->integer('page', 1));
        $count = (clone $rows)->count();

        return response()->json([
            'count' => $count,
            'pages' => (int) ceil($count / self::PAGE),
            'rows' => $rows
                ->orderByDesc('log.at')
                ->orderByDesc('log.id')
                ->forPage($page, self::PAGE)
                ->get(['log.what', 'log.words', 'log.at', 'log.run', 'users.name', 'users.key'])
                ->map(
                    static fn (object $row): array => [
                        'what' => $row->what,
                        'words' => $row->words,
                        'at' => $row->at,
                        'run' => $row->run,
                        'who' => $row->name,
                        'person' => $row->key,
                    ],
                )
                ->all(),
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
                    "'recorded' as what, events.id, coalesce(runs.code, events.run) || ' ' || events.kind || coalesce(' ' || (events.definition->>'side'), '') || coalesce(' ' || (events.definition->>'verdict'), '') || coalesce(': ' || nullif(events.definition->>'note', ''), '') || case when events.step <> '' then ' (' || events.step || ')' else '' end as words, coalesce((events.definition->>'received')::timestamptz, events.created_at) as at, events.run, events.user_id",
                ),
            'released' => DB::table('releases')
                ->where('installation_id', $stored->id)
                ->selectRaw(
                    "'released' as what, id, 'release ' || letter || case when note <> '' then ': ' || note else '' end as words, created_at as at, '' as run, user_id",
                ),
            'packed' => DB::table('packs')
                ->where('installation_id', $stored->id)
                ->selectRaw(
                    "'packed' as what, id, 'pack ' || number || ', ' || gaps || ' open points' as words, created_at as at, '' as run, user_id",
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
}
