<?php

declare(strict_types=1);

namespace App\Who;

/** What the log book holds: not what was decided or done, which the record has. */
enum Entry: string
{
    case SignedIn = 'signed in';
    case Account = 'account';
    case Crew = 'crew';
    case Office = 'office';
    case Exported = 'exported';
    case Installation = 'installation';
}
