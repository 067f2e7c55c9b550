<?php

declare(strict_types=1);

namespace App\Labels;

use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Loaded;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Ends\Labelling\LabelPrints;
use Sartal\Core\Ends\Labelling\PrintedLabel;
use Sartal\Core\Plan\Runs\RunPlan;

/** The labels of an installation, and which of them have been printed as they are now. */
final class LabelStock
{
    /** @return list<PrintedLabel> */
    public function of(Loaded $loaded): array
    {
        return (new LabelPrints($loaded->installation))->of(
            $loaded->plan()->runs->map(static fn (RunPlan $run): array => $run->labels),
            $loaded->plan()->rotations(),
        );
    }

    /** @return array<int|string, array{fingerprint: string, at: string, by: string}> by label */
    public function printed(StoredInstallation $stored): array
    {
        $printed = [];
        $rows = DB::table('label_prints')
            ->join('users', 'users.id', '=', 'user_id')
            ->where('installation_id', $stored->id)
            ->get(['label', 'fingerprint', 'at', 'name']);
        foreach ($rows as $row) {
            $printed[(string) $row->label] = [
                'fingerprint' => (string) $row->fingerprint,
                'at' => (string) $row->at,
                'by' => (string) $row->name,
            ];
        }

        return $printed;
    }

    /** Changes with whatever somebody marks as printed. */
    public static function state(StoredInstallation $stored): string
    {
        return (string) $stored->told;
    }

    /**
     * @param  list<string>  $ids
     * @param  list<PrintedLabel>  $labels
     * @return int how many there are of them
     */
    public function mark(StoredInstallation $stored, User $by, array $ids, array $labels): int
    {
        $wanted = array_flip($ids);
        $rows = [];
        foreach ($labels as $label) {
            if (isset($wanted[$label->id])) {
                $rows[] = [
                    'installation_id' => $stored->id,
                    'label' => $label->id,
                    'fingerprint' => $label->fingerprint(),
                    'user_id' => $by->id,
                    'at' => now(),
                ];
            }
        }
        foreach (array_chunk($rows, 1000) as $chunk) {
            DB::table('label_prints')->upsert($chunk, ['installation_id', 'label'], ['fingerprint', 'user_id', 'at']);
        }

        $stored->tell();

        return count($rows);
    }
}
