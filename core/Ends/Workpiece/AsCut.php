<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Workpiece;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Element;
use Sartal\Core\Given\Catalogue\ElementKind;

/** An end as it comes off the reel, from what the type says that the cable is made of. */
final class AsCut
{
    /** @var list<Piece> */
    private array $pieces = [];

    private function __construct()
    {
    }

    public static function of(CableType $cable): CableEnd
    {
        $made = new self();
        $sheath = Piece::asCut('', PieceKind::Sheath);
        $made->pieces[] = $sheath;
        $made->visit($cable->construction, '', [$sheath->key()]);

        return CableEnd::of($made->pieces);
    }

    /** @param  list<string>  $within  keys of what is round it, outermost first */
    private function visit(Element $element, string $path, array $within): void
    {
        $in = static fn (Element $child): string => $path === '' ? $child->key : $path.'/'.$child->key;
        // A braid lies over a foil, and either over everything else that they share an element with.
        foreach ([[ElementKind::Screen, PieceKind::Braid], [ElementKind::Foil, PieceKind::Foil]] as [$kind, $as]) {
            foreach ($element->children as $child) {
                if ($child->kind === $kind) {
                    $screen = Piece::asCut($in($child), $as, ...$within);
                    $this->pieces[] = $screen;
                    $within[] = $screen->key();
                }
            }
        }
        foreach ($element->children as $child) {
            if ($child->kind === ElementKind::Core) {
                $this->core($child, $in($child), $within);
            } elseif ($child->kind === ElementKind::Drain) {
                $this->pieces[] = self::wire($child, Piece::asCut($in($child), PieceKind::Drain, ...$within));
            } elseif ($child->children !== []) {
                $this->visit($child, $in($child), $within);
            }
        }
    }

    /** @param  list<string>  $within */
    private function core(Element $core, string $path, array $within): void
    {
        $over = Piece::asCut(
            $path,
            $core->permittivity === null ? PieceKind::Insulation : PieceKind::Dielectric,
            ...$within,
        );
        $this->pieces[] = $over;
        $this->pieces[] = self::wire($core, Piece::asCut($path, PieceKind::Metal, ...$within, ...[$over->key()]));
    }

    private static function wire(Element $element, Piece $piece): Piece
    {
        return $element->strands === 1 ? $piece->ofOneWire() : $piece;
    }
}
