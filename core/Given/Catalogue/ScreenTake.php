<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** What a connector does with the screen of the cable that enters it. */
enum ScreenTake: string
{
    /** Has no place for one. */
    case Nowhere = 'nowhere';
    /** Takes it to a contact of its own. */
    case Contact = 'contact';
    /** Must have one, under a ferrule or clamp all round. */
    case AllRound = 'all-round';
}
