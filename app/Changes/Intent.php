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

    /** The same, and look through all there is for what could help. */
    case Weigh = 'weigh';

    /** Put it aside as it is. */
    case Park = 'park';

    /** Whether it is made only where it overtakes nothing. */
    public function asks(): bool
    {
        return $this === self::Ask || $this === self::Weigh;
    }

    public static function of(Request $request): self
    {
        $said = $request->header(self::HEADER);

        return self::tryFrom(is_string($said) ? $said : '') ?? self::Accept;
    }
}
