<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** Where a run's ends are made: on the bench before it is pulled, in place after; or elsewhere, long before. */
enum Build: string
{
    case Shop = 'shop';
    case Site = 'site';
    /** It was there with both its ends: taken in as it is seen, looked over, tested and mended. */
    case Found = 'found';
}
