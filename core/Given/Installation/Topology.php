<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

enum Topology: string
{
    case PointToPoint = 'point-to-point';
    case Split = 'split';
    case DaisyChain = 'daisy-chain';
}
