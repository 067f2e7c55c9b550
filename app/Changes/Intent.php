<?php

declare(strict_types=1);

namespace App\Changes;

use Illuminate\Http\Request;

/** What somebody wants of an edit that overtakes work. */
enum Intent: string
{
    public const HEADER = 'Sartal-Intent';

    /** Make it, whatever it overtakes. */
    case Accept = 'accept';

    /** Make it where it overtakes nothing; else say what. */
    case Ask = 'ask';

    /** Put it aside as it is. */
    case Park = 'park';

    public static function of(Request $request): self
    {
        $said = $request->header(self::HEADER);

        return self::tryFrom(is_string($said) ? $said : '') ?? self::Accept;
    }
}
