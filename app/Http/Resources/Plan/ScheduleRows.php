<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptOfRuns;
use App\Planning\Loaded;
use App\Planning\Near;
use Closure;

/**
 * The schedule's rows as they follow from decisions, kept.
 *
 * @phpstan-import-type Row from ScheduleResource
 */
final readonly class ScheduleRows
{
    /** @var KeptOfRuns<Row> */
    private KeptOfRuns $kept;

    /** @param  Closure(): Loaded  $load  where all of them have to be made */
    public function __construct(private StoredInstallation $stored, private Near $near, private Closure $load)
    {
        $this->kept = new KeptOfRuns($stored, 'schedule', Kept::state(...));
    }

    /** @return array<int|string, Row> by run, in their order */
    public function all(): array
    {
        return $this->kept->of($this->made(...), $this->around(...));
    }

    /**
     * @param  list<string>  $runs
     * @return array<int|string, Row> by run; those that are gone are not in it
     */
    public function of(array $runs): array
    {
        return $this->kept->these($runs, $this->made(...), $this->around(...));
    }

    /** @return array<int|string, Row> */
    private function made(): array
    {
        return ScheduleResource::decided(($this->load)());
    }

    /**
     * @param  list<string>  $runs
     * @return array<int|string, Row>
     */
    private function around(array $runs): array
    {
        return ScheduleResource::decided($this->near->runs($this->stored, $runs), $runs);
    }
}
