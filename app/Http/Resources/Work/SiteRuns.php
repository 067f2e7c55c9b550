<?php

declare(strict_types=1);

namespace App\Http\Resources\Work;

use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptOfRuns;
use App\Planning\Loaded;
use App\Planning\Near;
use Closure;

/**
 * Cables as an installer takes them along, as far as they follow from decisions, kept.
 *
 * @phpstan-import-type SiteRun from SiteResource
 */
final readonly class SiteRuns
{
    /** @var KeptOfRuns<SiteRun> */
    private KeptOfRuns $kept;

    /** @param  Closure(): Loaded  $load  as the shop works from it, where all of them have to be made */
    public function __construct(private StoredInstallation $stored, private Near $near, private Closure $load)
    {
        $this->kept = new KeptOfRuns(
            $stored,
            'cables on site',
            static fn (string $at): string => Kept::state($stored->release_id === null ? $at : $stored->edition()),
        );
    }

    /** @return array<int|string, SiteRun> by run, in their order */
    public function all(): array
    {
        return $this->kept->of($this->made(...), $this->around(...));
    }

    /**
     * @param  list<string>  $runs
     * @return array<int|string, SiteRun> by run; those that are not pulled are not in it
     */
    public function of(array $runs): array
    {
        return $this->kept->these($runs, $this->made(...), $this->around(...));
    }

    /** @return array<int|string, SiteRun> */
    private function made(): array
    {
        return SiteResource::runs(($this->load)(), null);
    }

    /**
     * @param  list<string>  $runs
     * @return array<int|string, SiteRun>
     */
    private function around(array $runs): array
    {
        return SiteResource::runs($this->near->atWork($this->stored, $runs), $runs);
    }
}
