<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

enum Boot: string
{
    /** None, and none wanted: a bare plug that also goes into a block. */
    case Bare = 'bare';
    case SlideOn = 'slide-on';
    case Moulded = 'moulded';
}
