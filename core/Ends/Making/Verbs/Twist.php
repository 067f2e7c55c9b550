<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** Strands are twisted: of one conductor, or of all that go into one terminal together. */
final readonly class Twist implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = [];
        foreach ($doing->pieces as $piece) {
            if ($piece->kind->isWoven() && $piece->lie !== Lie::Opened) {
                $needs[] = sprintf('%s has to be opened before it is twisted.', ucfirst(Doing::name($piece)));
            } elseif ($on->end->held($piece)->compare($piece->edge) <= 0) {
                $needs[] = sprintf('Nothing of %s is bare.', Doing::name($piece));
            }
            if ($piece->lie === Lie::Twisted) {
                $needs[] = sprintf('%s is twisted already.', ucfirst(Doing::name($piece)));
            }
            if ($piece->solid && count(self::together($doing, $piece)) < 2) {
                $needs[] = sprintf('%s is one wire: there is nothing to twist.', ucfirst(Doing::name($piece)));
            }
        }

        return $needs;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->withEnd(
            $on->end->with(
                ...array_map(
                    static fn (Piece $piece): Piece => $piece->twistedWith(
                        count(self::together($doing, $piece)) > 1
                            ? (string) $doing->station->terminals->of($piece)
                            : '',
                    ),
                    $doing->pieces,
                ),
            ),
        );
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions($doing->around(), $doing->keys());
    }

    /** @return list<Piece> that go into the same terminal */
    private static function together(Doing $doing, Piece $piece): array
    {
        $terminal = $doing->station->terminals->of($piece);

        return $terminal === null
            ? [$piece]
            : array_values(
                array_filter(
                    $doing->pieces,
                    static fn (Piece $other): bool => $doing->station->terminals->of($other) === $terminal,
                ),
            );
    }
}
