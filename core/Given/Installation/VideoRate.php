<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** How fast a serial video circuit runs. */
enum VideoRate: string
{
    case HD = 'HD';
    case G3 = '3G';
    case G6 = '6G';
    case G12 = '12G';
}
