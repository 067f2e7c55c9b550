<?php

declare(strict_types=1);

namespace App\Models;

enum Role: string
{
    case Planner = 'planner';
    case Bench = 'bench';
    case Installer = 'installer';
    case Tester = 'tester';
    case Lead = 'lead';
}
