<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A wire between two terminals or splices, such as a jumper on a panel. Nodes as in {@see HandJoint}. */
final readonly class Link
{
    public function __construct(public string $from, public string $to, public string $note = '')
    {
    }
}
