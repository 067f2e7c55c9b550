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

    /** For what a decision would come to, by an installation as it was read already. */
    public function by(Loaded $decided): TimeBook
    {
        $this->jobs->know($decided);
        $stored = $decided->stored;

        return self::areTaken($stored) ? new TimeBook($this->kept->lastTook($stored)) : new TimeBook();
    }

    public function of(StoredInstallation $stored): TimeBook
    {
        return self::areTaken($stored) ? new TimeBook($this->kept->took($stored)) : new TimeBook();
    }

    private static function areTaken(StoredInstallation $stored): bool
    {
        return $stored
            ->events()
            ->toBase()
            ->reorder()
            ->where('step', '<>', '')
            ->whereNotNull('definition->took')
            ->exists();
    }
}
