<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** Where a run's ends are made: on the bench before it is pulled, or in place after. */
enum Build: string
{
    case Shop = 'shop';
    case Site = 'site';
}
