<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Measure\Length;

/** A step as it comes up on one workpiece: with the pieces that it acts on here. */
final readonly class Doing
{
    /** @param  list<Piece>  $pieces */
    public function __construct(public MakingStep $step, public Station $station, public array $pieces)
    {
    }

    /** How a piece is called in words. */
    public static function name(Piece $piece): string
    {
        $kind = str_replace('-', ' ', $piece->kind->value);

        return $piece->element === '' ? 'the '.$kind : $kind.' of '.$piece->element;
    }

    /**
     * Where the step's length comes to on a piece, from the end as it came.
     *
     * @return ?Length null where what it is measured from is not there
     */
    public function place(Workpiece $on, ?Piece $piece): ?Length
    {
        $measure = $this->step->measure;
        $end = $on->end;
        if ($measure === null) {
            return null;
        }
        $edge = match ($measure->from) {
            MeasuredFrom::CutEnd => $end->cut,
            MeasuredFrom::OwnEnd => $piece?->edge,
            MeasuredFrom::SheathEdge, MeasuredFrom::Leg => $end->piece(PieceKind::Sheath)?->edge,
            MeasuredFrom::Legs => $end->cut,
            MeasuredFrom::Terminal => $this->toTerminal($end, $piece),
            MeasuredFrom::Mark => $on->marks[$measure->mark] ?? null,
            MeasuredFrom::Equipment => $on->measured === null
                ? null
                : ($end->leaves ?? $end->piece(PieceKind::Sheath)?->edge)?->minus($on->measured),
            MeasuredFrom::InnerSheathEdge => $end->piece(PieceKind::InnerSheath)?->edge,
            MeasuredFrom::ScreenEdge => self::screen($end)?->edge,
            MeasuredFrom::InsulationEdge => $piece === null
                ? null
                : ($end->piece(PieceKind::Insulation, $piece->element) ??
                    $end->piece(PieceKind::Dielectric, $piece->element))?->edge,
        };
        if ($edge === null) {
            return null;
        }

        return match ($measure->from) {
            MeasuredFrom::CutEnd, MeasuredFrom::OwnEnd, MeasuredFrom::Mark => $edge->plus($measure->length),
            MeasuredFrom::Legs => $edge->plus($this->station->longest() ?? $measure->length),
            MeasuredFrom::Leg => $edge->minus(
                ($this->station->legs[$piece->element ?? ''] ?? Length::zero())->plus($measure->length),
            ),
            default => $edge->minus($measure->length),
        };
    }

    private function toTerminal(CableEnd $end, ?Piece $piece): ?Length
    {
        $terminal = $piece === null ? null : $this->station->terminals->of($piece);
        $reach = $terminal === null ? null : $this->station->terminals->reaches[$terminal] ?? null;

        return $reach === null ? null : $end->piece(PieceKind::Sheath)?->edge->minus($reach);
    }

    private static function screen(CableEnd $end): ?Piece
    {
        foreach ($end->pieces as $piece) {
            if (in_array($piece->kind, [PieceKind::Foil, PieceKind::Braid, PieceKind::Lapped], true)) {
                return $piece;
            }
        }

        return null;
    }

    /** Each of the pieces in its terminal. */
    public function joined(Workpiece $on): Workpiece
    {
        return $on->joining($this->byTerminal());
    }

    /** @return array<int|string, list<string>> terminal → keys of the pieces that go there, as they are joined */
    public function byTerminal(): array
    {
        $into = [];
        foreach ($this->pieces as $piece) {
            $terminal = $this->station->terminals->of($piece);
            if ($terminal !== null) {
                $into[$terminal][] = $piece->key();
            }
        }

        $order = array_flip($this->station->terminals->order);
        // Where nobody has an order, what others would cover comes before them.
        $under = array_flip(array_merge(...array_values($this->station->terminals->covers)));
        $place = static fn (int|string $at): int => $order === [] ? (isset($under[$at]) ? 0 : 1) : $order[$at] ?? 9999;
        uksort($into, static fn (int|string $a, int|string $b): int => $place($a) <=> $place($b));

        return $into;
    }

    /**
     * What keeps hands from shortening a piece to a place.
     *
     * @param  bool  $withItsOwn  what covers it alone is cut with it
     * @return list<string>
     */
    public function barred(Workpiece $on, Piece $piece, ?Length $at, bool $withItsOwn): array
    {
        if ($at === null) {
            return [sprintf('What %s is measured from is not there.', self::name($piece))];
        }
        $around = $on->end->inTheWay($piece, $at);
        $isOwn = $withItsOwn && $piece->element !== '' && $around?->element === $piece->element;

        return [
            ...$around === null || $isOwn
                ? []
                : [sprintf('%s is still round %s there.', ucfirst(self::name($around)), self::name($piece))],
            ...$on->isJoined($piece) ? [sprintf('%s is joined already.', ucfirst(self::name($piece)))] : [],
        ];
    }

    /** @return list<string> why hands do not get at the terminals one after the other, or have nothing to do there */
    public function unreachable(Workpiece $on): array
    {
        $needs = $this->pieces === [] ? [] : $this->notOnYet($on);
        foreach ($this->pieces as $piece) {
            if ($this->station->terminals->of($piece) === null) {
                $needs[] = sprintf('%s goes to no terminal.', ucfirst(self::name($piece)));
            }
            if ($on->isJoined($piece)) {
                $needs[] = sprintf('%s is joined already.', ucfirst(self::name($piece)));
            }
        }
        $joined = $on->joined;
        foreach (array_keys($this->byTerminal()) as $terminal) {
            foreach ($this->station->parts->over as $part => $under) {
                if (in_array((string) $part, $on->seated, true) && in_array((string) $terminal, $under, true)) {
                    $needs[] = sprintf('Terminal %s lies under the %s, which is closed already.', $terminal, $part);
                }
            }
            foreach ($this->station->terminals->covers as $over => $under) {
                if (isset($joined[$over]) && in_array((string) $terminal, $under, true)) {
                    $needs[] = sprintf('Terminal %s lies under %s, which is joined already.', $terminal, $over);
                }
            }
            $joined[$terminal] = true;
        }

        return $needs;
    }

    /** @return list<string> what cannot arrive later, and is not on the cable */
    public function notOnYet(Workpiece $on): array
    {
        $needs = [];
        foreach ($this->station->parts->names() as $part) {
            if ($this->station->isOnlyByNow((string) $part) && ! $on->has((string) $part)) {
                $needs[] = sprintf('The %s has to be on the cable before anything is joined.', $part);
            }
        }

        return $needs;
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(static fn (Piece $piece): string => $piece->key(), $this->pieces);
    }

    /** @return list<string> keys of what is round the pieces and of the same element: it is cut with them */
    public function own(): array
    {
        $own = [];
        foreach ($this->pieces as $piece) {
            foreach ($piece->element === '' ? [] : $piece->within as $key) {
                $own[$key] = true;
            }
        }

        return array_map(strval(...), array_keys($own));
    }

    /** @return list<string> keys of what lies round the pieces */
    public function around(): array
    {
        return array_values(
            array_unique(
                array_merge(
                    ...array_map(static fn (Piece $piece): array => $piece->within, $this->pieces),
                    ...[[]],
                ),
            ),
        );
    }
}
