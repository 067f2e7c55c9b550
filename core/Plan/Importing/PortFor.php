<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Importing;

use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Mount;

/** Of what connector a port is that somebody says another is plugged into: of its mates, one built into things. */
final class PortFor
{
    /** @return ?ConnectorType null where nothing is known that mates with it */
    public static function a(string $connector, Catalogue $catalogue): ?ConnectorType
    {
        $own = $catalogue->connector($connector);
        if ($own === null) {
            return null;
        }
        $found = null;
        foreach ($catalogue->connectors() as $other) {
            if ($other->retired || ($own->matesWith($other) ?? $other->matesWith($own)) === null) {
                continue;
            }
            if ($other->mount === Mount::Panel) {
                return $other;
            }
            $found ??= $other;
        }

        return $found;
    }
}
