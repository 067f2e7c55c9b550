<?php

declare(strict_types=1);

namespace App\Models;

/** What somebody looks after in the whole of an organisation. */
enum Office: string
{
    /** Invites people, retires them, and puts a lead where there is none. */
    case People = 'people';

    /** Begins installations, brings them in from files, archives them. */
    case Installations = 'installations';
}
