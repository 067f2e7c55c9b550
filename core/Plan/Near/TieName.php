<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Ends\Wiring\Assemblies;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\PanelSwitch;

/** What runs have in common, by one name each; and what of that is joined though no run joins it. */
final class TieName
{
    public static function fitting(string $id): string
    {
        return 'f:'.$id;
    }

    public static function circuit(string $id): string
    {
        return 'c:'.$id;
    }

    public static function loom(string $id): string
    {
        return 'l:'.$id;
    }

    public static function panel(string $id): string
    {
        return 'p:'.$id;
    }

    /** @return ?string id of the fitting that it is; null where it is something else */
    public static function fittingNamed(string $tie): ?string
    {
        return str_starts_with($tie, 'f:') ? substr($tie, 2) : null;
    }

    /** @return ?string id of the circuit that it is; null where it is something else */
    public static function circuitNamed(string $tie): ?string
    {
        return str_starts_with($tie, 'c:') ? substr($tie, 2) : null;
    }

    /**
     * Jumpers and switches join without a run; what is plugged together is looked at together.
     *
     * @param  list<Link>  $links
     * @param  array<int|string, PanelSwitch>  $switches
     * @param  list<Mating>  $matings
     * @return array<array-key, list<string>> tie → ties
     */
    public static function between(array $links, array $switches, array $matings): array
    {
        $pairs = [];
        foreach ([...$links, ...array_values($switches)] as $joins) {
            $pairs[] = [Assemblies::anchor(Node::named($joins->from)), Assemblies::anchor(Node::named($joins->to))];
        }
        foreach ($matings as $mating) {
            $pairs[] = [self::fitting($mating->fitting), self::fitting($mating->with)];
        }
        $between = [];
        foreach ($pairs as [$one, $other]) {
            $between[$one][] = $other;
            $between[$other][] = $one;
        }

        return $between;
    }
}
