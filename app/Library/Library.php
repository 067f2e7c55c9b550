<?php

declare(strict_types=1);

namespace App\Library;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Changes\TypeDesk;
use App\Formats\BadLine;
use App\Models\LibraryType;
use App\Models\StoredEntry;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\Loaded;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\DecisionKind;

/**
 * Types of an organisation's own. An installation takes one as a decision of
 * its own, so that what it overtakes is shown first and it can be undone; what
 * is put into the library changes no installation.
 */
final readonly class Library
{
    /** Fields of a definition that name other types. */
    private const NAMES = ['connector', 'signal', 'cable', 'part', 'parts', 'with', 'plan', 'procedure'];

    /** Fields that name one for each of several things. */
    private const NAMED_BY = ['procedures'];

    public function __construct(private ChangeLog $log)
    {
    }

    /** @return list<array{type: LibraryType, stand: Stand}> */
    public function of(StoredInstallation $stored): array
    {
        $here = $this->here($stored);
        $taken = $this->taken($stored);
        $query = LibraryType::query()->with('user')->where('organisation_id', $stored->organisation_id);
        $query->orderBy('kind');
        $query->orderBy('key');
        $all = [];
        foreach ($query->get() as $type) {
            $of = $type->kind.' '.$type->key;
            $all[] = [
                'type' => $type,
                'stand' => self::stand($type, $here[$of] ?? null, $taken[$of] ?? null),
            ];
        }

        return $all;
    }

    /**
     * Takes a type as the library has it, with those of the library that it names and that are not there yet.
     *
     * @throws BadLine
     */
    public function take(Loaded $loaded, Author $by, DecisionKind $kind, string $id): void
    {
        $stored = $loaded->stored;
        $wanted = $this->find($stored->organisation_id, $kind, $id);
        $all = [$wanted, ...$this->named($wanted, $loaded)];
        $edits = [];
        foreach ($all as $type) {
            $version = StoredEntry::query()
                ->where('installation_id', $stored->id)
                ->where('kind', $type->kind)
                ->where('key', $type->key)
                ->value('version');
            $edits[] = new Edit(
                DecisionKind::from($type->kind),
                $type->key,
                $type->definition,
                is_int($version) ? $version : null,
            );
        }
        $this->log->write(
            Decision::on(
                $loaded,
                $by,
                sprintf('%s %s taken from the library', ucfirst($kind->value), self::name($wanted)),
                $edits,
            ),
        );
        DB::table('library_takings')->upsert(
            array_map(
                static fn (LibraryType $type): array => [
                    'installation_id' => $stored->id,
                    'kind' => $type->kind,
                    'key' => $type->key,
                    'edition' => $type->edition,
                ],
                $all,
            ),
            ['installation_id', 'kind', 'key'],
            ['edition'],
        );
    }

    /**
     * Puts a type of an installation's own there, for the others.
     *
     * @param  ?int  $edition  that it replaces; null where there is none yet
     * @return ?LibraryType what is there instead, where that is another edition
     *
     * @throws BadLine
     */
    public function put(Loaded $loaded, User $by, DecisionKind $kind, string $id, ?int $edition): ?LibraryType
    {
        $type =
            $loaded->installation->catalogue->{$kind->list()}()[$id] ??
            throw BadLine::because('id', $id, 'There is no such type here. Load the page again.');
        $shape = TypeDesk::shape($type);

        return DB::transaction(static function () use ($loaded, $by, $kind, $id, $edition, $shape): ?LibraryType {
            $of = $loaded->stored->organisation_id;
            DB::select('select pg_advisory_xact_lock(?, hashtext(?))', [$of, 'library']);
            $there = LibraryType::query()
                ->with('user')
                ->where('organisation_id', $of)
                ->where('kind', $kind->value)
                ->where('key', $id)
                ->first();
            if ($there?->edition !== $edition) {
                return $there ?? new LibraryType(['kind' => $kind->value, 'key' => $id, 'definition' => []]);
            }
            $put = $there ?? new LibraryType(['organisation_id' => $of, 'kind' => $kind->value, 'key' => $id]);
            $put->fill([
                'definition' => $shape,
                'edition' => ($edition ?? 0) + 1,
                'user_id' => $by->id,
                'put_at' => now(),
            ])->save();
            DB::table('library_takings')->upsert(
                [
                    'installation_id' => $loaded->stored->id,
                    'kind' => $kind->value,
                    'key' => $id,
                    'edition' => $put->edition,
                ],
                ['installation_id', 'kind', 'key'],
                ['edition'],
            );

            return null;
        });
    }

    /** Out of the library; installations keep what they took. */
    public function remove(StoredInstallation $stored, DecisionKind $kind, string $id): void
    {
        $this->find($stored->organisation_id, $kind, $id)->delete();
    }

    public static function name(LibraryType $type): string
    {
        return is_string($type->definition['name'] ?? null) ? $type->definition['name'] : $type->key;
    }

    /** @throws BadLine */
    private function find(int $organisation, DecisionKind $kind, string $id): LibraryType
    {
        return LibraryType::query()
            ->where('organisation_id', $organisation)
            ->where('kind', $kind->value)
            ->where('key', $id)
            ->first() ?? throw BadLine::because('id', $id, 'The library has no such type. Load the page again.');
    }

    /**
     * Those that it names, and that these name, and are not in the installation.
     *
     * @return list<LibraryType>
     */
    private function named(LibraryType $first, Loaded $loaded): array
    {
        $known = [];
        foreach (DecisionKind::offered() as $kind) {
            $known += $loaded->installation->catalogue->{$kind->list()}();
        }
        $library = LibraryType::query()->where('organisation_id', $first->organisation_id)->get();
        $found = [];
        $look = [$first];
        while ($look !== []) {
            $names = self::names($look[0]->definition);
            array_shift($look);
            foreach ($library as $type) {
                if (
                    isset($names[$type->key]) &&
                    ! isset($known[$type->key]) &&
                    ! isset($found[$type->id]) &&
                    $type->id !== $first->id
                ) {
                    $found[$type->id] = $look[] = $type;
                }
            }
        }

        return array_values($found);
    }

    /**
     * @param  array<array-key, mixed>  $definition
     * @return array<int|string, true>
     */
    private static function names(array $definition, bool $inside = false): array
    {
        $names = [];
        foreach ($definition as $key => $value) {
            $isName = ($inside && is_int($key)) || in_array($key, self::NAMES, true);
            if (is_array($value) && in_array($key, self::NAMED_BY, true)) {
                $names += array_fill_keys(array_filter(array_values($value), is_string(...)), true);
            } elseif (is_array($value)) {
                $names += self::names($value, $isName);
            } elseif ($isName && is_string($value)) {
                $names[$value] = true;
            }
        }

        return $names;
    }

    /** @param  ?array<int|string, mixed>  $here */
    private static function stand(LibraryType $type, ?array $here, ?int $taken): Stand
    {
        return match (true) {
            $here === null => Stand::ToTake,
            // As values: a database may keep the fields in another order.
            $here == $type->definition => Stand::Same,
            $taken === null => Stand::Other,
            $taken < $type->edition => Stand::Newer,
            default => Stand::ChangedHere,
        };
    }

    /** @return array<int|string, array<int|string, mixed>> kind and id → definition of the installation's own */
    private function here(StoredInstallation $stored): array
    {
        $here = [];
        foreach ($stored->entries()->whereIn('kind', array_column(DecisionKind::types(), 'value'))->get() as $entry) {
            $here[$entry->kind.' '.$entry->key] = $entry->definition;
        }

        return $here;
    }

    /** @return array<int|string, int> kind and id → edition */
    private function taken(StoredInstallation $stored): array
    {
        $taken = [];
        foreach (DB::table('library_takings')->where('installation_id', $stored->id)->get() as $row) {
            $taken[$row->kind.' '.$row->key] = (int) $row->edition;
        }

        return $taken;
    }
}
