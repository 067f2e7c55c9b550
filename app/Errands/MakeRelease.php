<?php

declare(strict_types=1);

namespace App\Errands;

use App\Models\Errand;
use App\Models\StoredInstallation;
use App\Releases\ReleaseDesk;

/** A release of what was decided when somebody asked for it. */
final readonly class MakeRelease implements Doing
{
    public function __construct(private ReleaseDesk $desk)
    {
    }

    /** @return array<string, string> what is asked of a worker */
    public static function asking(StoredInstallation $stored, string $note): array
    {
        return ['note' => $note, 'decisions' => $stored->decisions];
    }

    public function do(Errand $errand, Progress $progress): array
    {
        $stored = StoredInstallation::query()->findOrFail($errand->installation_id);
        $note = $errand->asked['note'] ?? '';
        $release = $stored->decisions === ($errand->asked['decisions'] ?? '')
            ? $this->desk->release($stored, $errand->user, $note, $progress->tell(...))
            : null;

        return [
            'letter' => $release->letter ?? throw CannotBeDone::because(
                'Somebody has decided something since. Look at what the release would bring now, and release it then.',
            ),
        ];
    }

    public function over(Errand $errand): void
    {
    }
}
