<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\Plan\Near\Nearby;

/** Where an installation is read from as far as some of its runs have to do with it. */
interface Source
{
    public function stored(): StoredInstallation;

    /** Changes with whatever is read from it. */
    public function mark(): string;

    /** @return ?StoredCards null where they are of something else, or were made by other code */
    public function cards(): ?StoredCards;

    /** @return array<array-key, list<string>> what is joined without a run */
    public function between(): array;

    /** @return ?Loaded null where somebody has decided something meanwhile */
    public function part(StoredCards $cards, Nearby $near): ?Loaded;

    /** Everything; with its cards written, so that it need not be everything next time. */
    public function whole(): Loaded;
}
