<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Given\Installation\Side;

/**
 * Names of the points that wiring joins. A node is a string so that a netlist
 * stays a plain graph: "c:run:A:p7/a", "t:fitting/address", "s:splice".
 */
final class Node
{
    public static function conductor(string $run, Side $side, string $path): string
    {
        return 'c:'.$run.':'.$side->value.':'.$path;
    }

    public static function terminal(string $fitting, string $address): string
    {
        return 't:'.$fitting.'/'.$address;
    }

    public static function splice(string $id): string
    {
        return 's:'.$id;
    }

    /** From the spelling of a decision: {@see JoiningPlace}. */
    public static function named(string $reference): string
    {
        $place = JoiningPlace::from($reference);

        return $place->isSplice()
            ? self::splice($place->splice)
            : self::terminal($place->fitting, $place->address);
    }

    /** Back to that spelling; null for a conductor, which is no place by itself. */
    public static function place(string $node): ?JoiningPlace
    {
        return match (true) {
            self::isTerminal($node) => JoiningPlace::contact((string) self::fitting($node), self::address($node)),
            str_starts_with($node, 's:') => JoiningPlace::splice(substr($node, 2)),
            default => null,
        };
    }

    public static function isTerminal(string $node): bool
    {
        return str_starts_with($node, 't:');
    }

    public static function isShell(string $node): bool
    {
        return self::isTerminal($node) && str_ends_with($node, '/'.ConnectorType::SHELL);
    }

    /** The fitting of a terminal; null for any other node. */
    public static function fitting(string $node): ?string
    {
        return self::isTerminal($node) ? substr($node, 2, (int) strpos($node, '/') - 2) : null;
    }

    /** The address of a terminal within its fitting; "" for any other node. */
    public static function address(string $node): string
    {
        return self::isTerminal($node) ? substr($node, (int) strpos($node, '/') + 1) : '';
    }
}
