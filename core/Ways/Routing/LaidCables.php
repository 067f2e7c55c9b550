<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Installation\Installation;

/** What runs are made of, as a way has to carry it. */
final class LaidCables
{
    /**
     * @param  list<string>  $runs
     * @return list<CableType> as many as runs whose type is known
     */
    public static function among(Installation $installation, array $runs): array
    {
        $types = array_map(
            static fn (string $run): ?CableType => $installation->catalogue->cable($installation->theRun($run)->cable),
            $runs,
        );

        return array_values(array_filter($types));
    }
}
