<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Plan\Near\Nearby;
use Sartal\Core\Plan\Near\TieName;

/** As it was released. */
final readonly class SourceReleased implements Source
{
    public function __construct(
        private StoredInstallation $stored,
        private InstallationStore $store,
        private ReleasedRows $rows,
    ) {
    }

    public function stored(): StoredInstallation
    {
        return $this->stored;
    }

    public function mark(): string
    {
        return $this->stored->edition();
    }

    public function cards(): ?StoredCards
    {
        return StoredCards::released($this->stored);
    }

    public function between(): array
    {
        $joined = Joined::in($this->rows->connections());

        return TieName::between($joined['links'], $joined['switches'], $joined['matings']);
    }

    /** What is released is never altered. */
    public function part(StoredCards $cards, Nearby $near): Loaded
    {
        $beyond = Beyond::of($near->runs + $near->rim, $cards, $cards->clashes);

        return $this->store->partReleased($this->stored, $this->rows, $near, $beyond, $cards->chosen);
    }

    public function whole(): Loaded
    {
        $loaded = $this->store->atWork($this->stored);
        if ($this->cards() === null) {
            StoredCards::fillReleased($this->stored, $loaded->installation);
        }

        return $loaded;
    }
}
