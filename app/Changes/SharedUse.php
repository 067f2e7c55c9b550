<?php

declare(strict_types=1);

namespace App\Changes;

use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;

/** What still uses a thing that runs share. */
final class SharedUse
{
    /** The first thing that still uses it, in words; null: nothing does. */
    public static function of(DecisionKind $kind, string $id, Installation $in): ?string
    {
        return match ($kind) {
            DecisionKind::Location => self::run(
                $in,
                static fn (Run $run): bool => $run->a->location === $id || $run->b->location === $id,
            ) ??
                (self::way($in, $id) ?? self::panel($in, $id)),
            DecisionKind::Junction => self::way($in, $id),
            DecisionKind::Way => self::run($in, static fn (Run $run): bool => in_array($id, $run->ways, true)),
            DecisionKind::Loom => self::run($in, static fn (Run $run): bool => $run->loom === $id),
            default => null,
        };
    }

    /** @param  callable(Run): bool  $uses */
    private static function run(Installation $in, callable $uses): ?string
    {
        foreach ($in->runs() as $run) {
            if ($uses($run)) {
                return $run->code;
            }
        }

        return null;
    }

    private static function way(Installation $in, string $place): ?string
    {
        foreach ($in->ways() as $way) {
            if ($way->from === $place || $way->to === $place) {
                return $way->name;
            }
        }

        return null;
    }

    private static function panel(Installation $in, string $place): ?string
    {
        foreach ($in->panels() as $panel) {
            if ($panel->location === $place) {
                return $panel->name;
            }
        }

        return null;
    }
}
