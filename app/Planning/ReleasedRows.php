<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Spelled;
use Sartal\Core\Plan\Near\Nearby;

/**
 * What a release says, row by row, as it is read: all of it, or what a few runs have to do with. A row stands for all
 * releases one after the other in which it is the same, from `since` until before `until`. They follow from the text
 * that was signed, and are written when somebody works from it.
 */
final readonly class ReleasedRows
{
    private const RUNS = 'runs';

    private const FITTINGS = 'fittings';

    private const CIRCUITS = 'circuits';

    /** In one row each: the types, and whatever is not a list of things with ids. */
    private const WHOLES = ['catalogue', ''];

    private function __construct(private StoredInstallation $stored, private int $release)
    {
    }

    /** @return ?self of the release that is worked from; null where there is none */
    public static function of(StoredInstallation $stored): ?self
    {
        $release = $stored->release_id;
        if ($release === null) {
            return null;
        }
        if ($stored->releases()->whereKey($release)->value('in_rows') !== true) {
            self::write($stored, $release);
        }

        return new self($stored, $release);
    }

    /** Those of a release that is not in rows yet. */
    public static function write(StoredInstallation $stored, int $release): void
    {
        DB::transaction(static function () use ($stored, $release): void {
            // One release after the other.
            DB::table('installations')->where('id', $stored->id)->lockForUpdate()->first(['id']);
            $rows = $stored->releases()->whereKey($release)->where('in_rows', false);
            if ($rows->exists()) {
                DB::statement(self::statement(), [TextArray::of(self::lists()), $release]);
                $stored->releases()->whereKey($release)->update(['in_rows' => true]);
            }
        });
    }

    /**
     * In the shape of a file.
     *
     * @param  ?Nearby  $near  whose runs, fittings and circuits are read; null: all
     * @return array<int|string, mixed>
     */
    public function data(?Nearby $near): array
    {
        $data = array_fill_keys(self::lists(), []);
        foreach ($this->rows($near)->orderBy('kind')->orderBy('place')->get(['kind', 'key', 'definition']) as $row) {
            [$kind, $text] = [(string) $row->kind, (string) $row->definition];
            if (! in_array($kind, self::WHOLES, true)) {
                $data[$kind][] = $kind === self::RUNS && str_contains($text, '"onEquipment"')
                    ? (array) json_decode($text, true)
                    : new Spelled($text);
            } else {
                $whole = (array) json_decode($text, true);
                $data = ($kind === '' ? $whole : [$kind => $whole]) + $data;
            }
        }

        return $data;
    }

    /** @return array<int|string, mixed> what is joined without a run, in the shape of a file */
    public function connections(): array
    {
        $whole = $this->all()->where('kind', '')->value('definition');

        return is_string($whole) ? (array) json_decode($whole, true) : [];
    }

    private function all(): Builder
    {
        $rows = DB::table('released_rows')->where('installation_id', $this->stored->id);
        $rows->where('since', '<=', $this->release);

        return $rows->where(fn ($of) => $of->whereNull('until')->orWhere('until', '>', $this->release));
    }

    private function rows(?Nearby $near): Builder
    {
        $rows = $this->all();
        if ($near !== null) {
            $many = [
                self::RUNS => array_map(strval(...), array_keys($near->runs + $near->rim)),
                self::FITTINGS => $near->fittings(),
                self::CIRCUITS => $near->circuits(),
            ];
            $rows->where(static function (Builder $row) use ($many): void {
                $row->whereNotIn('kind', array_keys($many));
                foreach ($many as $kind => $keys) {
                    $row->orWhere(static fn (Builder $of) => $of->where('kind', $kind)->whereIn('key', $keys));
                }
                // What a fitting feeds belongs to it, whether a run carries it or not.
                $row->orWhere(static function (Builder $of) use ($many): void {
                    $of->where('kind', self::CIRCUITS)->whereRaw("definition->>'phantom' <> ''");
                    $of->whereIn($of->raw("definition->>'phantom'"), $many[self::FITTINGS]);
                });
            });
        }

        return $rows;
    }

    /** @return list<string> lists of a file of which each thing is a row; what is today's is read as it is today */
    private static function lists(): array
    {
        $kinds = array_filter(DecisionKind::entries(), static fn (DecisionKind $kind): bool => ! $kind->isLive());

        $lists = array_map(static fn (DecisionKind $kind): string => $kind->list(), array_values($kinds));

        return [...$lists, self::RUNS];
    }

    /**
     * Rows that are the same as in the release before stay as they are, and where they are: a new one goes between its
     * neighbours, or behind all. The database does it, so that nothing of it has to be in memory. Where somebody still
     * works from a release while the next is in rows already, its own end where those begin.
     */
    private static function statement(): string
    {
        return "with given as (
                select id as release, installation_id as owner, document::json as document, ?::text[] as lists, (
                    select min(other.id) from releases as other
                    where other.installation_id = releases.installation_id and other.id > releases.id and other.in_rows
                ) as next
                from releases where id = ?
            ), whole as (
                select key as kind, value, key = any (lists) as is_list from given, json_each(document)
            ), new as (
                select kind, thing.value->>'id' as key, thing.ordinality as nth, thing.value::text as definition
                from (select * from whole where is_list) as list,
                    json_array_elements(list.value) with ordinality as thing
                union all
                select kind, '', 0, value::text from whole where kind = 'catalogue'
                union all
                select '', '', 0, json_object_agg(kind, value)::text from whole
                where not is_list and kind <> 'catalogue'
            ), stood as (
                select rows.id as was, kind, key, place, definition::text as definition
                from released_rows as rows, given
                where installation_id = owner and since < release and until is null and next is null
            ), matched as (
                select new.kind, new.key, new.nth, new.definition, was, stood.definition = new.definition as is_same,
                    case when place > coalesce(max(place) over (
                        partition by new.kind order by new.nth rows between unbounded preceding and 1 preceding
                    ), 0) then place end as place
                from new left join stood on stood.kind = new.kind and stood.key = new.key
            ), parted as (
                select *, count(place) over (partition by kind order by nth) as gap from matched
            ), ranked as (
                select *, coalesce(max(place) over (partition by kind, gap), 0) as low,
                    row_number() over (partition by kind, gap order by nth)
                        - count(place) over (partition by kind, gap) as nth_new,
                    count(*) over (partition by kind, gap) - count(place) over (partition by kind, gap) + 1 as steps,
                    min(place) over (
                        partition by kind order by gap range between 1 following and unbounded following
                    ) as high
                from parted
            ), placed as (
                select kind, key, definition, was, coalesce(is_same and place is not null, false) as stays,
                    coalesce(place, low + nth_new * coalesce((high - low) / steps, 1)) as at
                from ranked
            ), ended as (
                update released_rows set until = release from given
                where released_rows.id in (select was from stood except select was from placed where stays)
            )
            insert into released_rows (installation_id, kind, key, place, since, until, definition)
            select owner, kind, key, at, release, next, definition::json from placed, given where not stays";
    }
}
