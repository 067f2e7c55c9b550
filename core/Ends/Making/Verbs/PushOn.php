<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making\Verbs;

use Sartal\Core\Ends\Making\Act;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\Regions;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\Centre;
use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;

/** The body goes onto the cable: under a braid that lies back, or over what is left in place. */
final readonly class PushOn implements Act
{
    public function needs(Workpiece $on, Doing $doing): array
    {
        $needs = $on->pushedOn ? ['The body sits on the cable already.'] : [];
        foreach ($on->end->ofKind(PieceKind::Braid) as $braid) {
            if ($braid->lie !== Lie::Folded && $doing->station->centre !== Centre::Fingers) {
                $needs[] = sprintf('%s is in the way: lay it back.', ucfirst(Doing::name($braid)));
            }
        }
        $sheath = $on->end->piece(PieceKind::Sheath);
        if ($doing->station->centre === Centre::Fingers && $sheath?->lie !== Lie::Opened) {
            $needs[] = 'The sheath is tight: slit it, so that the body goes under it.';
        }
        foreach ($doing->pieces as $piece) {
            if ($piece->kind === PieceKind::Metal && $on->end->held($piece)->compare($piece->edge) <= 0) {
                $needs[] = sprintf('Nothing of %s is bare.', Doing::name($piece));
            }
            if ($doing->station->centre === Centre::Pin && ($on->crimped['pin'] ?? 0) === 0) {
                $needs[] = 'The pin is not crimped on yet.';
            }
        }

        return [...$needs, ...$doing->notOnYet($on)];
    }

    public function done(Workpiece $on, Doing $doing): Workpiece
    {
        return $doing->joined($on)->pushingOn();
    }

    public function regions(Workpiece $on, Doing $doing): Regions
    {
        return new Regions(
            [...array_map(strval(...), array_keys($on->end->pieces)), 'on the cable', 'crimps'],
            ['joints'],
        );
    }
}
