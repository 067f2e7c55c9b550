<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

/** By what cards are found. */
enum OnCard: string
{
    case Code = 'code';
    case Ties = 'ties';
    case Beside = 'beside';
    case Says = 'says';
    case Labels = 'labels';
    case Ways = 'ways';
    case Course = 'course';
}
