<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A switch between two nodes, such as a ground lift in series with a panel's contact 1. */
final readonly class PanelSwitch
{
    public function __construct(
        public string $id,
        public string $name,
        public string $from,
        public string $to,
        public bool $closedAtRest,
    ) {
    }
}
