<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Near\Nearby;
use Sartal\Core\Plan\Near\TieName;

/** As it is decided. */
final readonly class SourceDecided implements Source
{
    public function __construct(private StoredInstallation $stored, private InstallationStore $store)
    {
    }

    public function stored(): StoredInstallation
    {
        return $this->stored;
    }

    public function mark(): string
    {
        return $this->stored->decisions;
    }

    public function cards(): ?StoredCards
    {
        return StoredCards::current($this->stored);
    }

    public function between(): array
    {
        $joined = Joined::in($this->stored->panel);

        return TieName::between($joined['links'], $joined['switches'], $joined['matings']);
    }

    /** @param  ?Loaded  $on  the same decisions, where they were read already */
    public function part(StoredCards $cards, Nearby $near, ?Loaded $on = null): ?Loaded
    {
        $beyond = Beyond::of($near->runs + $near->rim, $cards, $cards->clashes);
        $part = $this->store->part($this->stored, $near, $beyond, $cards->chosen, $on);
        $now = DB::table('installations')->where('id', $this->stored->id)->value('decisions');

        return $now === $this->stored->decisions ? $part : null;
    }

    public function whole(): Loaded
    {
        $loaded = $this->store->load($this->stored);
        if ($this->cards() === null) {
            StoredCards::fill($this->stored, $loaded->installation);
        }

        return $loaded;
    }
}
