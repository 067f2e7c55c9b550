<?php

declare(strict_types=1);

namespace App\Errands;

use App\Models\Errand;
use Illuminate\Support\Facades\DB;

/**
 * Tells how far an errand is, and hears whether it is still wanted: by a connection of its own, so that others are told
 * while all of it is written at once.
 */
final readonly class Progress
{
    public function __construct(private Errand $errand)
    {
    }

    /**
     * @param  string  $words  what is begun now
     * @param  int  $done  of how much, that many are done
     *
     * @throws CalledOff
     */
    public function tell(string $words, int $done, int $of): void
    {
        $errands = DB::connection(config('database.told'))->table('errands');
        $told = $errands->where('id', $this->errand->id)->where('is_called_off', false);
        $now = ['words' => mb_substr($words, 0, 250), 'done' => $done, 'of' => $of, 'told_at' => now()];
        if ($told->update($now) === 0) {
            throw new CalledOff();
        }
    }
}
