<?php

declare(strict_types=1);

namespace App\Formats;

use App\Models\Role;
use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Planning\Recorded;
use Generator;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\FilePrinter;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\Person;
use Sartal\Core\Proof\Record\Record;

/** The open installation as one file: what was decided, what was done, and who is of the crew. */
final readonly class FileExporter
{
    /** Rows that are read at once. */
    private const AT_ONCE = 500;

    public function __construct(private InstallationStore $store)
    {
    }

    /**
     * As it is printed, piece by piece: what there are thousands of is read as it is written, and all of it as it
     * stands at one moment. Its record is listed as it came in.
     *
     * @return Generator<int, string>
     */
    public function pieces(StoredInstallation $stored): Generator
    {
        $isOutermost = DB::transactionLevel() === 0;
        DB::beginTransaction();
        try {
            $isOutermost ? DB::statement('set transaction isolation level repeatable read, read only') : null;
            $stored = StoredInstallation::query()->findOrFail($stored->id);
            $few = $this->store->withoutRuns($stored);

            yield from FilePrinter::pieces(
                new InstallationFile(
                    $few->installation->withCatalogue($few->pinned),
                    new Record(),
                    self::people($stored),
                ),
                [
                    'circuits' => self::entries($stored, DecisionKind::Circuit),
                    'fittings' => self::entries($stored, DecisionKind::Fitting),
                    'runs' => self::shapes($stored->runs()->toBase(), DecisionKind::Run),
                    'record' => self::record($stored),
                ],
            );
        } finally {
            DB::rollBack();
        }
    }

    /** @return Generator<int, array<array-key, mixed>> in the shape of a file */
    private static function entries(StoredInstallation $stored, DecisionKind $kind): Generator
    {
        return self::shapes($stored->entries()->toBase()->where('kind', $kind->value), $kind);
    }

    /** @return Generator<int, array<array-key, mixed>> */
    private static function shapes(Builder $rows, DecisionKind $kind): Generator
    {
        foreach ($rows->reorder()->select(['id', 'definition'])->lazyById(self::AT_ONCE) as $row) {
            yield Decided::canonical($kind, json_decode((string) $row->definition, true, flags: JSON_THROW_ON_ERROR));
        }
    }

    /** @return Generator<int, array<array-key, mixed>> */
    private static function record(StoredInstallation $stored): Generator
    {
        for ($last = 0; ;) {
            $rows = $stored->events();
            $ids = $rows->toBase()->where('id', '>', $last)->limit(self::AT_ONCE)->pluck('id')->all();
            if ($ids === []) {
                return;
            }
            $some = $stored->events();
            $some->whereIn('id', $ids);
            foreach (Recorded::read($stored, $some) as $event) {
                yield EventCodec::encode($event);
            }
            $last = end($ids);
        }
    }

    public function export(Loaded $loaded): InstallationFile
    {
        return new InstallationFile(
            $loaded->installation->withCatalogue($loaded->pinned),
            Recorded::whole($loaded->stored),
            self::people($loaded->stored),
        );
    }

    /** @return list<Person> */
    private static function people(StoredInstallation $stored): array
    {
        $people = [];
        foreach ($stored->memberships()->with('user')->get() as $member) {
            // Who has left is in the record, with nothing that they may do.
            $left = $member->ended_at !== null;
            $people[] = new Person(
                $member->user->sign_in ?? ($member->user->known_as ?? ''),
                $member->user->name,
                $left ? [] : self::known($member->roles),
                $left ? [] : $member->skills,
                $member->user->key,
            );
        }

        return $people;
    }

    /**
     * @param  list<string>  $roles
     * @return list<string>
     */
    private static function known(array $roles): array
    {
        return array_values(array_filter($roles, static fn (string $role): bool => Role::tryFrom($role) !== null));
    }
}
