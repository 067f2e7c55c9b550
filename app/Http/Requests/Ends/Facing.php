<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

/** Which side of a connector is seen. */
enum Facing: string
{
    case Wiring = 'wiring';
    case Face = 'face';
}
