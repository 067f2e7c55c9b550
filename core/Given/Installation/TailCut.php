<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** How the tails of one group are cut. */
enum TailCut: string
{
    case Equal = 'equal';
    case Graded = 'graded';
}
