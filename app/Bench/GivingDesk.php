<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Models\User;
use App\Telling\OfGiven;
use Illuminate\Support\Facades\DB;

/** Work is given to people and taken from them, and they are told: both or neither. */
final readonly class GivingDesk
{
    public function __construct(private Given $given, private OfGiven $telling)
    {
    }

    /**
     * @param  bool  $only  to nobody else: whoever was given it before no longer is
     * @return array{id: int, isNew: bool, was: list<string>} row of it, and keys of those who no longer are
     */
    public function give(
        StoredInstallation $stored,
        User $by,
        User $to,
        string $kind,
        string $key,
        bool $only,
    ): array {
        return DB::transaction(function () use ($stored, $by, $to, $kind, $key, $only): array {
            $made = $this->given->give($stored, $to->id, $kind, $key, $only);
            foreach ($made['was'] as $row => $person) {
                $this->telling->gone($stored, $by, $row, $person, $kind, $key, 'gives %s to somebody else');
            }
            if ($made['isNew']) {
                $this->telling->given($stored, $by, $made['id'], $to->key, $kind, $key);
            }
            $stored->tell();

            return ['was' => array_values($made['was'])] + $made;
        });
    }

    /** @param  int  $row  of what was given */
    public function take(StoredInstallation $stored, User $by, int $row): void
    {
        DB::transaction(function () use ($stored, $by, $row): void {
            $gone = $this->given->take($stored, $row);
            if ($gone !== null) {
                [$person, $kind, $key] = $gone;
                $this->telling->gone($stored, $by, $row, $person, $kind, $key, 'takes %s back');
            }
            $stored->tell();
        });
    }
}
