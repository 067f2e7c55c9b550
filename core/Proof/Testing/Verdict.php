<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

enum Verdict: string
{
    case Passes = 'passes';
    case Fails = 'fails';
    case Incomplete = 'incomplete';
}
