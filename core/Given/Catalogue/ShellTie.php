<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** How a connector's shell stands to the screen that enters it. */
enum ShellTie: string
{
    /** No conducting shell, or one that nothing enters. */
    case None = 'none';
    /** A lug that is joined or left, as the house rules say. */
    case Lug = 'lug';
    /** The cable clamp ties them, whatever the house rules say. */
    case Clamp = 'clamp';
    /** The shell is the screen's own contact. */
    case Screen = 'screen';
}
