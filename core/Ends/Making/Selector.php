<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\PieceKind;

/** What a step acts on: it comes to as many pieces as the end has, in their order; to none where there is no such. */
final readonly class Selector
{
    /**
     * @param  list<PieceKind>  $kinds  any of these; empty: whatever it is
     * @param  ?Onto  $joins  of conductors, those alone that go to a terminal of this kind: the screen, the others
     */
    public function __construct(public array $kinds, public ?Onto $joins = null)
    {
    }

    /** @return list<Piece> */
    public function of(CableEnd $end, Station $station): array
    {
        return array_values(
            array_filter(
                $end->pieces,
                fn (Piece $piece): bool => ($this->kinds === [] || in_array($piece->kind, $this->kinds, true)) &&
                    $this->isOnto($piece, $station),
            ),
        );
    }

    private function isOnto(Piece $piece, Station $station): bool
    {
        $of = $station->terminals;
        // What covers a core goes where the core goes.
        $key = $piece->kind->isAroundAConductor() ? Piece::keyOf(PieceKind::Metal, $piece->element) : $piece->key();
        $isJoined = isset($of->goes[$key]);

        return match ($this->joins) {
            null => true,
            Onto::Screen => in_array($key, $of->screens, true),
            Onto::Earth => in_array($key, $of->earths, true),
            Onto::Core => $isJoined && ! in_array($key, [...$of->screens, ...$of->earths], true),
            Onto::Terminal => $isJoined,
            Onto::Nothing => ! $isJoined && ($piece->kind->isConductor() || $piece->kind->isAroundAConductor()),
        };
    }
}
