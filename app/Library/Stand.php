<?php

declare(strict_types=1);

namespace App\Library;

/** How a type of the library stands in an installation. */
enum Stand: string
{
    /** It is not there. */
    case ToTake = 'to take';
    /** It is there as it is in the library. */
    case Same = 'same';
    /** The library has a newer edition than was taken. */
    case Newer = 'newer';
    /** It was changed there since it was taken. */
    case ChangedHere = 'changed here';
    /** Another of the same id is there, which never was of the library. */
    case Other = 'other';
}
