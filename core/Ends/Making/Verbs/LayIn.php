<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Lie;

/** Each core is laid into its own slot, by the print beside it; nothing holds it there yet. */
final readonly class LayIn implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = $on->inserted === [] ? [] : ['The cores lie in their slots already.'];
        foreach ($doing->pieces as $piece) {
            if ($doing->station->terminals->of($piece) === null) {
                $needs[] = sprintf('%s goes to no terminal.', ucfirst(Doing::name($piece)));
            }
            if ($on->end->held($piece)->compare($piece->edge) <= 0) {
                $needs[] = sprintf('%s does not stand out of the sheath.', ucfirst(Doing::name($piece)));
            }
            if (! $this->isOutOfItsPair($on, $piece)) {
                $needs[] = sprintf('%s is still in its pair.', ucfirst(Doing::name($piece)));
            }
        }

        return [...$needs, ...$doing->notOnYet($on)];
    }

    private function isOutOfItsPair(Workpiece $on, Piece $piece): bool
    {
        foreach ($piece->within as $key) {
            $over = $on->end->pieces[$key] ?? null;
            if ($over?->element === $piece->element && $over->kind->isAroundAConductor()) {
                return $over->lie === Lie::Untwisted;
            }
        }

        return true;
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $on->inserting(array_map(static fn (Piece $piece): string => $piece->element, $doing->pieces));
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions([...$doing->keys(), ...$doing->own(), 'on the cable'], ['joints']);
    }
}
