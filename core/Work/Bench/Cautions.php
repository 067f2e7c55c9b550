<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Joining;

/** What can hurt somebody at a step. Source: common practice; local codes and licensed practice come first. */
final class Cautions
{
    public const BLADE = 'Cut away from yourself; keep the free hand behind the blade.';

    public const IRON = 'Hot iron and fumes: ventilate, wash hands after leaded solder.';

    public const HEAT_GUN = 'Heat gun: keep the heat off insulation and sleeving, and off shrink that is parked for '.
        'later.';

    public const MAINS = 'Mains: made up and tested only by a person competent and licensed for it under local code.';

    public const PULL = 'Ladders, ceiling voids and pulling force: nobody pulls alone, and nobody stands in the line '.
        'of the rope.';

    public const BARE_MAINS = 'Until it is landed every core is insulated and enclosed, and the other end is isolated '.
        'and locked off.';

    /** @return list<string> of an end that gets no connector */
    public static function bare(CableType $cable): array
    {
        foreach ($cable->conductors() as $conductor) {
            if ($conductor->domain === HazardDomain::Mains) {
                return [self::MAINS, self::BARE_MAINS];
            }
        }

        return [];
    }

    /** @return list<string> that joints in such a connector show besides */
    public static function at(ConnectorType $type): array
    {
        return array_values(array_unique([
            ...$type->domain === HazardDomain::Mains ? [self::MAINS] : [],
            ...array_diff($type->cautions, [self::BLADE, self::IRON]),
        ]));
    }

    /** @return list<string> */
    public static function for(Task $task, ?Joining $joining = null): array
    {
        return match (true) {
            $task === Task::Cut, $task === Task::Strip => [self::BLADE],
            $task === Task::Tin, $joining?->isHot() === true => [self::IRON],
            $task === Task::Shrink => [self::HEAT_GUN],
            $task === Task::Pull => [self::PULL],
            default => [],
        };
    }
}
