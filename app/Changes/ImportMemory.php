<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\Import\Understanding;
use App\Models\StoredInstallation;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Plan\Importing\Kind;

/** How an installation's spreadsheets were read last: whoever imports the next is asked only what is new. */
final readonly class ImportMemory
{
    private const COLUMN = 'column';

    private const DEFAULT = 'default';

    /** Of one installation; the oldest go. */
    private const MOST = 2000;

    private const LONGEST = 200;

    /** Rows of one statement: five values each. */
    private const AT_ONCE = 500;

    public function __construct(private StoredInstallation $stored)
    {
    }

    public function read(): Understanding
    {
        $kept = [];
        foreach ($this->words()->get(['kind', 'said', 'taken']) as $row) {
            $kept[(string) $row->kind][(string) $row->said] = (string) $row->taken;
        }
        $values = [];
        foreach (Kind::cases() as $kind) {
            $values[$kind->value] = $kept[$kind->value] ?? [];
        }

        return new Understanding($kept[self::COLUMN] ?? [], $values, $kept[self::DEFAULT] ?? []);
    }

    /** Keeps what was said of columns, words and empty cells; what one cell holds is of one file. */
    public function keep(Understanding $said): void
    {
        $rows = [];
        $kinds = [self::COLUMN => $said->columns, self::DEFAULT => $said->defaults] + $said->values;
        foreach ($kinds as $kind => $words) {
            foreach ($words as $word => $taken) {
                // A place that was made is found by its name from now on; the first code is of one file.
                if ($taken === Understanding::MAKE || ($kind === self::DEFAULT && $word === 'code')) {
                    continue;
                }
                $row = [
                    'installation_id' => $this->stored->id,
                    'kind' => $kind,
                    'said' => mb_substr((string) $word, 0, self::LONGEST),
                    'taken' => $taken,
                    'kept_at' => now(),
                ];
                // Two that are the same as far as they are kept are one.
                $rows[$kind.' '.$row['said']] = $row;
            }
        }
        foreach (array_chunk(array_values($rows), self::AT_ONCE) as $some) {
            DB::table('import_words')->upsert($some, ['installation_id', 'kind', 'said'], ['taken', 'kept_at']);
        }
        $this->prune();
    }

    private function prune(): void
    {
        $old = $this->words()
            ->orderByDesc('kept_at')
            ->orderBy('kind')
            ->orderBy('said')
            ->skip(self::MOST)
            ->take(self::MOST * self::AT_ONCE)
            ->select('ctid');
        $this->words()->whereIn('ctid', $old)->delete();
    }

    private function words(): Builder
    {
        return DB::table('import_words')->where('installation_id', $this->stored->id);
    }
}
