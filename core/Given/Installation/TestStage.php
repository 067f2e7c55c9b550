<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** When an assembly is tested. */
enum TestStage: string
{
    case BeforeClosing = 'before-closing';
    case Bench = 'bench';
    case Installed = 'installed';

    public function words(): string
    {
        return match ($this) {
            self::BeforeClosing => 'before the connectors are closed',
            self::Bench => 'at the bench',
            self::Installed => 'in place',
        };
    }
}
