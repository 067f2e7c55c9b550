<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

enum Mount: string
{
    case Cable = 'cable';
    case Panel = 'panel';
    case Insert = 'insert';
}
