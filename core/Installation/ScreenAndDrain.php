<?php

declare(strict_types=1);

namespace Sartal\Core\Installation;

/** What is joined where a drain lies against a screen. */
enum ScreenAndDrain: string
{
    case DrainAlone = 'drain-alone';
    case Together = 'together';
}
