<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Later\Handover\AssemblyStanding;

/** Where everything stands, as of a record. */
final readonly class StandingBook
{
    /**
     * @param  int  $last  row of the last record that it knows of
     * @param  string  $record  id of that
     * @param  array<int|string, AssemblyStanding>  $standings  by assembly
     * @param  array<int|string, int>  $seen  assembly → row of the last record on it that it knows of
     */
    public function __construct(public int $last, public string $record, public array $standings, public array $seen)
    {
    }
}
