<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Checks\LabelChecks;
use Sartal\Core\Plan\Near\Cards;
use Sartal\Core\Plan\Near\Lying;
use Sartal\Core\Plan\Near\OnCard;
use Sartal\Core\Plan\Near\RunCard;
use Sartal\Core\Plan\Near\Shift;
use Sartal\Core\Ways\Routing\Router;
use stdClass;

/**
 * Cards of an installation in the database, as it is decided, and as it was released for the shop: written when
 * somebody has read all of it; those of what is decided are brought forward by each decision about a few of its runs.
 */
final readonly class StoredCards implements Cards
{
    private const DECIDED = ['cards', 'run_cards'];

    private const RELEASED = ['cards at work', 'released_cards'];

    /** Rows of one statement. */
    private const AT_ONCE = 500;

    private const COLUMNS = 'run, place, code, array_to_json(ties) as ties, array_to_json(beside) as beside,
        array_to_json(says) as says, array_to_json(labels) as labels, cable, array_to_json(ways) as ways, course,
        pinned, reach';

    /**
     * @param  array<array-key, string>  $clashes  text of a label → what it reads upside down, of the whole
     * @param  array<int|string, array<int|string, true>>  $chosen  recipe → connectors of legs that chose it
     */
    private function __construct(
        private StoredInstallation $stored,
        private string $table,
        public array $clashes,
        public array $chosen,
    ) {
    }

    /** @return ?self null where they are of other decisions, or were made by other code */
    public static function current(StoredInstallation $stored): ?self
    {
        return self::kept($stored, self::DECIDED, $stored->decisions);
    }

    /** @return ?self the same of the release that is worked from */
    public static function released(StoredInstallation $stored): ?self
    {
        return self::kept($stored, self::RELEASED, $stored->released());
    }

    /** @param  array{string, string}  $of  name of what is kept of all, and table */
    private static function kept(StoredInstallation $stored, array $of, string $mark): ?self
    {
        $kept = Kept::get($stored, $of[0], self::state($of[0], $mark));
        if ($kept === null) {
            return null;
        }
        /** @var array{array<array-key, string>, array<int|string, array<int|string, true>>} $whole */
        $whole = unserialize($kept, ['allowed_classes' => false]);

        return new self($stored, $of[1], ...$whole);
    }

    /** Written anew, as far as they are others than they were. */
    public static function fill(StoredInstallation $stored, Installation $in): void
    {
        self::written(
            $stored,
            $in,
            self::DECIDED,
            $stored->runs()->toBase()->pluck('id', 'key')->all(),
            static fn (StoredInstallation $now): string => $now->decisions,
        );
    }

    /** The same of the release that is worked from. */
    public static function fillReleased(StoredInstallation $stored, Installation $in): void
    {
        self::written(
            $stored,
            $in,
            self::RELEASED,
            array_flip(array_keys($in->runs())),
            static fn (StoredInstallation $now): string => $now->released(),
        );
    }

    /**
     * @param  array{string, string}  $of
     * @param  array<array-key, mixed>  $places  by run
     * @param  Closure(StoredInstallation): string  $mark  what they are of
     */
    private static function written(
        StoredInstallation $stored,
        Installation $in,
        array $of,
        array $places,
        Closure $mark,
    ): void {
        $router = new Router($in);
        $cards = [];
        foreach ($in->runs() as $id => $run) {
            $place = $places[$id] ?? null;
            $place = is_numeric($place) ? (int) $place : PHP_INT_MAX;
            $cards[$id] = RunCard::of($run, $in, $router->route($run), $place);
        }
        $clashes = LabelChecks::clashes($in);
        DB::transaction(static function () use ($stored, $in, $of, $mark, $cards, $clashes): void {
            // One at a time, and nobody decides or releases anything meanwhile.
            $rows = StoredInstallation::query();
            $rows->lockForUpdate();
            $now = $rows->findOrFail($stored->id);
            if ($mark($now) === $mark($stored)) {
                [$name, $table] = $of;
                $known = DB::table($table)->where('installation_id', $stored->id)->pluck('print', 'run')->all();
                self::write($stored, $table, $cards, $known);
                self::keep($stored, $name, $mark($stored), [$clashes, FileDecoder::chosen($in)]);
            }
        });
    }

    /**
     * What one decision changes of them, within its transaction.
     *
     * @param  string  $decisions  what they are of since
     */
    public function bring(Shift $shift, string $decisions): void
    {
        $places = $this->stored->runs()->toBase();
        $places = $places->whereIn('key', array_map(strval(...), array_keys($shift->is)))->pluck('id', 'key')->all();
        $placed = [];
        foreach ($shift->is as $run => $card) {
            $place = $places[$run] ?? null;
            $placed[$run] = $card->at(is_numeric($place) ? (int) $place : PHP_INT_MAX);
        }
        self::write($this->stored, $this->table, $placed, array_map(self::print(...), $shift->was));
        self::keep($this->stored, self::DECIDED[0], $decisions, [$shift->clashes, $this->chosen]);
    }

    public function of(array $runs): array
    {
        return $this->read('run = any (?)', [TextArray::of($runs)], count($runs));
    }

    public function with(OnCard $what, array $values, int $most): array
    {
        return match (true) {
            $values === [] => [],
            $what === OnCard::Code => $this->read('code = any (?)', [TextArray::of($values)], $most),
            $what === OnCard::Course => $this->read(
                'md5(course) = any (?)',
                [TextArray::of(array_map(md5(...), $values))],
                $most,
            ),
            // Where it knew how many they are, PostgreSQL would compare each row with all of them.
            default => $this->read(
                $what->value.' && (select cast(? as text[]))',
                [TextArray::of($this->own($values))],
                $most,
            ),
        };
    }

    public function said(array $texts, array $but): array
    {
        if ($texts === []) {
            return [];
        }
        $found = DB::select(
            sprintf(
                'select text from unnest(?::text[]) as text where exists (
                    select from %s where says @> array[? || text] and installation_id = ? and run <> all (?)
                )',
                $this->table,
            ),
            [TextArray::of($texts), $this->stored->id.' ', $this->stored->id, TextArray::of($but)],
        );

        return array_map(static fn (stdClass $row): string => (string) $row->text, array_values($found));
    }

    public function cables(array $ways, array $but): array
    {
        $found = $ways === [] ? [] : DB::select(
            sprintf(
                'select way, cable, count(*) as many from %s, unnest(ways) as way
                where installation_id = ? and ways && ? and way = any (?) and run <> all (?) and cable <> \'\'
                group by way, cable',
                $this->table,
            ),
            [$this->stored->id, $own = TextArray::of($this->own($ways)), $own, TextArray::of($but)],
        );
        $cables = [];
        foreach ($found as $row) {
            $cables[substr((string) $row->way, strlen($this->stored->id.' '))][(string) $row->cable] = (int) $row->many;
        }

        return $cables;
    }

    public function courses(): array
    {
        $found = DB::select(
            sprintf(
                "select distinct course, reach from %s where installation_id = ? and course <> '' and not pinned",
                $this->table,
            ),
            [$this->stored->id],
        );
        $courses = [];
        foreach ($found as $row) {
            $courses[(string) $row->course] = $row->reach === null ? null : (int) $row->reach;
        }

        return $courses;
    }

    /** @return array<int|string, array{code: string, ways: list<string>}> run → what it is called, and lies in */
    public function inWays(): array
    {
        $found = DB::select(
            sprintf(
                'select run, code, array_to_json(ways) as ways from %s where installation_id = ? order by place',
                $this->table,
            ),
            [$this->stored->id],
        );
        $runs = [];
        foreach ($found as $row) {
            $runs[$row->run] = ['code' => (string) $row->code, 'ways' => $this->bare($row->ways)];
        }

        return $runs;
    }

    public function lying(): array
    {
        $found = DB::select(
            sprintf(
                'select run, code, cable, course, case when pinned then array_to_json(ways) end as pinned
                from %s where installation_id = ? order by place',
                $this->table,
            ),
            [$this->stored->id],
        );
        $lying = [];
        foreach ($found as $row) {
            $lying[$row->run] = Lying::run(
                (string) $row->run,
                (string) $row->code,
                (string) $row->cable,
                (string) $row->course,
                $this->bare($row->pinned),
            );
        }

        return $lying;
    }

    /**
     * @param  list<string>  $values  literals
     * @return array<int|string, RunCard> by run
     */
    private function read(string $where, array $values, int $most): array
    {
        $found = DB::select(
            sprintf(
                'select %s from %s where installation_id = ? and %s order by place limit ?',
                self::COLUMNS,
                $this->table,
                $where,
            ),
            [$this->stored->id, ...$values, min($most, 1_000_000)],
        );
        $cards = [];
        foreach ($found as $row) {
            $cards[$row->run] = new RunCard(
                (string) $row->run,
                (string) $row->code,
                $this->bare($row->ties),
                $this->bare($row->beside),
                $this->bare($row->says),
                $this->bare($row->labels),
                (string) $row->cable,
                $this->bare($row->ways),
                (string) $row->course,
                (bool) $row->pinned,
                $row->reach === null ? null : (int) $row->reach,
                (int) $row->place,
            );
        }

        return $cards;
    }

    /**
     * @param  list<string>  $values
     * @return list<string> with their installation
     */
    private function own(array $values): array
    {
        return self::ownOf($this->stored, $values);
    }

    /**
     * @param  list<string>  $values
     * @return list<string>
     */
    private static function ownOf(StoredInstallation $stored, array $values): array
    {
        return array_map(static fn (string $value): string => $stored->id.' '.$value, $values);
    }

    /** @return list<string> without it */
    private function bare(mixed $column): array
    {
        $before = strlen($this->stored->id.' ');
        $values = is_string($column) ? json_decode($column, true, flags: JSON_THROW_ON_ERROR) : [];

        return array_map(
            static fn (mixed $value): string => is_string($value) ? substr($value, $before) : '',
            is_array($values) ? array_values($values) : [],
        );
    }

    /**
     * @param  array<int|string, RunCard>  $cards  by run
     * @param  array<array-key, mixed>  $known  run → print of the card that there is
     */
    private static function write(StoredInstallation $stored, string $table, array $cards, array $known): void
    {
        $rows = [];
        foreach ($cards as $run => $card) {
            $print = self::print($card);
            if (($known[$run] ?? null) !== $print) {
                $rows[] = [
                    $stored->id,
                    $card->run,
                    $card->place,
                    $card->code,
                    ...array_map(
                        static fn (array $list): string => TextArray::of(self::ownOf($stored, $list)),
                        [$card->ties, $card->beside, $card->says, $card->labels],
                    ),
                    $card->cable,
                    TextArray::of(self::ownOf($stored, $card->ways)),
                    $card->course,
                    $card->pinned ? 'true' : 'false',
                    $card->reach,
                    $print,
                ];
            }
        }
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            DB::insert(
                sprintf(
                    'insert into %s (installation_id, run, place, code, ties, beside, says, labels,
                    cable, ways, course, pinned, reach, print)
                    values %s on conflict (installation_id, run) do update set place = excluded.place,
                    code = excluded.code, ties = excluded.ties, beside = excluded.beside, says = excluded.says,
                    labels = excluded.labels, cable = excluded.cable, ways = excluded.ways,
                    course = excluded.course,
                    pinned = excluded.pinned, reach = excluded.reach, print = excluded.print',
                    $table,
                    implode(', ', array_fill(0, count($some), '(?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)')),
                ),
                array_merge(...$some),
            );
        }
        $gone = array_map(strval(...), array_keys(array_diff_key($known, $cards)));
        if ($gone !== []) {
            DB::delete(sprintf('delete from %s where installation_id = ? and run = any (?)', $table), [
                $stored->id,
                TextArray::of($gone),
            ]);
        }
    }

    /** @param  array{array<array-key, string>, array<int|string, array<int|string, true>>}  $whole */
    private static function keep(StoredInstallation $stored, string $name, string $mark, array $whole): void
    {
        Kept::put($stored, $name, self::state($name, $mark), serialize($whole));
    }

    /** @param  string  $mark  of the decisions, or the release, that they are of */
    private static function state(string $name, string $mark): string
    {
        return Kept::state($name, $mark);
    }

    private static function print(RunCard $card): string
    {
        return hash('xxh128', serialize($card));
    }
}
