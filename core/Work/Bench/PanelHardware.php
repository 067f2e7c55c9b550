<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;

/** What a connector is fixed in its panel with, or closed with. */
final class PanelHardware
{
    public const TOOL = 'driver at low torque';

    /** @return list<string> names; ids of what the catalogue does not know */
    public static function names(ConnectorType $type, Catalogue $catalogue): array
    {
        return array_map(
            static fn (int|string $id): string => $catalogue->part((string) $id)->name ?? (string) $id,
            array_keys($type->cable->hardware),
        );
    }
}
