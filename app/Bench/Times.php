<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Sartal\Core\Work\Bench\Experience;
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

        return $this->lately($decided->stored);
    }

    /** For what a decision would come to: {@see KeptJobs::lastExperience()}. */
    public function lately(StoredInstallation $stored): TimeBook
    {
        return self::areTaken($stored) ? $this->kept->lastExperience($stored)->times : new TimeBook();
    }

    public function of(StoredInstallation $stored): TimeBook
    {
        return $this->experience($stored)->times;
    }

    /** With what was found at ends that were looked over. */
    public function experience(StoredInstallation $stored): Experience
    {
        return self::areTaken($stored) ? $this->kept->experience($stored) : new Experience();
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
