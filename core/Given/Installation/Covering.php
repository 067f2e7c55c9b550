<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** What holds a loom's cables together along its length. */
enum Covering: string
{
    case Ties = 'ties';
    case Sleeve = 'sleeve';
}
