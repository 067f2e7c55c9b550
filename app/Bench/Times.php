<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Sartal\Core\Work\Bench\TimeBook;

/** What the crew's own record says about how long things take. */
final readonly class Times
{
    public function __construct(private Jobs $jobs, private KeptJobs $kept)
    {
    }

    /** By an installation as it was read already. */
    public function by(Loaded $decided): TimeBook
    {
        $this->jobs->know($decided);

        return $this->of($decided->stored);
    }

    public function of(StoredInstallation $stored): TimeBook
    {
        $timed = $stored->events()->toBase()->reorder()->where('step', '<>', '')->whereNotNull('definition->took');
        if (! $timed->exists()) {
            return new TimeBook();
        }

        return new TimeBook($this->kept->took($stored));
    }
}
