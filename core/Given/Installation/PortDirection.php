<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

enum PortDirection: string
{
    case In = 'in';
    case Out = 'out';
    case Both = 'both';
}
