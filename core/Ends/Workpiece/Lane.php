<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Workpiece;

use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Measure\Length;

/** Pieces of an end that are alike and lie alike: drawn, and spoken of, as one. */
final readonly class Lane
{
    /**
     * @param  non-empty-list<Piece>  $pieces
     * @param  Length  $root  where they leave what is round them
     * @param  ?Length  $cover  where what covers each of them begins; null: they are bare, or a layer themselves
     */
    public function __construct(public array $pieces, public Length $root, public ?Length $cover)
    {
    }

    /**
     * Conductors of an end and what else stands out by itself, outermost first; like ones together, however they are
     * numbered.
     *
     * @return list<self>
     */
    public static function of(CableEnd $end): array
    {
        $alike = $covers = [];
        foreach ($end->pieces as $piece) {
            if ($piece->kind->isAroundAConductor() || $piece->kind->isSheath()) {
                continue;
            }
            $cover = $piece->kind === PieceKind::Metal ? self::cover($end, $piece) : null;
            $key = implode(' ', [
                $piece->kind->value,
                $piece->edge->nanometres,
                $cover->nanometres ?? '',
                $piece->lie->value,
                $piece->tinned->nanometres,
                $piece->covered ? 'covered' : '',
                $end->root($piece)->nanometres,
            ]);
            $alike[$key][] = $piece;
            $covers[$key] = $cover;
        }
        $lanes = [];
        foreach ($alike as $key => $pieces) {
            $lanes[] = new self($pieces, $end->root($pieces[0]), $covers[$key]);
        }

        return $lanes;
    }

    private static function cover(CableEnd $end, Piece $piece): ?Length
    {
        return ($end->piece(PieceKind::Insulation, $piece->element) ??
            $end->piece(PieceKind::Dielectric, $piece->element))?->edge;
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(static fn (Piece $piece): string => $piece->key(), $this->pieces);
    }

    public function first(): Piece
    {
        return $this->pieces[0];
    }

    /** Whether anything of it is seen. */
    public function standsOut(): bool
    {
        return $this->root->compare($this->pieces[0]->edge) > 0;
    }

    public function count(): int
    {
        return count($this->pieces);
    }
}
