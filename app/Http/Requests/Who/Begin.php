<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

/** What an installation is begun from. */
enum Begin: string
{
    case Sample = 'sample';
    case Empty = 'empty';
}
