<?php

declare(strict_types=1);

namespace App\Formats;

use App\Models\Role;
use App\Planning\Loaded;
use App\Planning\Recorded;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\Person;

/** The open installation as one file: what was decided, what was done, and who is of the crew. */
final class FileExporter
{
    public function export(Loaded $loaded): InstallationFile
    {
        $people = [];
        foreach ($loaded->stored->memberships()->with('user')->get() as $member) {
            // Who has left is in the record, with nothing that they may do.
            $left = $member->ended_at !== null;
            $people[] = new Person(
                $member->user->sign_in ?? ($member->user->known_as ?? ''),
                $member->user->name,
                $left ? [] : self::known($member->roles),
                $left ? [] : $member->skills,
                $member->user->key,
            );
        }

        return new InstallationFile(
            $loaded->installation->withCatalogue($loaded->pinned),
            Recorded::whole($loaded->stored),
            $people,
        );
    }

    /**
     * @param  list<string>  $roles
     * @return list<string>
     */
    private static function known(array $roles): array
    {
        return array_values(array_filter($roles, static fn (string $role): bool => Role::tryFrom($role) !== null));
    }
}
