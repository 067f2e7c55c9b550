<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

enum Gender: string
{
    case Male = 'male';
    case Female = 'female';
    case Neutral = 'neutral';
}
