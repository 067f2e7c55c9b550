<?php

declare(strict_types=1);

namespace App\Formats;

use App\Models\Role;
use App\Planning\Loaded;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\Person;

/** The open installation as one file: what was decided, what was done, and who is of the crew. */
final class FileExporter
{
    public function export(Loaded $loaded): InstallationFile
    {
        $people = [];
        foreach ($loaded->stored->crew()->get() as $user) {
            $people[] = new Person(
                $user->sign_in,
                $user->name,
                array_values(
                    array_filter($user->roles, static fn (string $role): bool => Role::tryFrom($role) !== null),
                ),
                $user->skills,
            );
        }

        return new InstallationFile($loaded->installation->withCatalogue($loaded->pinned), $loaded->record, $people);
    }
}
