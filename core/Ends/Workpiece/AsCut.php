<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Workpiece;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Element;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\ElementLayer;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;

/** An end as it comes off the reel, from what the type says that the cable is made of. */
final class AsCut
{
    /** What lies beside the cores of an element, in the order in which hands come to it. */
    private const BESIDE = [
        [ElementLayer::Filler, PieceKind::Filler],
        [ElementLayer::Fibre, PieceKind::Fibre],
        [ElementLayer::Cord, PieceKind::Cord],
        [ElementLayer::Separator, PieceKind::Separator],
    ];

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
        $within = $this->beside($element, [[ElementLayer::Thread, PieceKind::Thread]], $path, $within);
        $isTwice = $path === '' && in_array(ElementLayer::Jacket, $element->layers, true);
        // Of two sheaths the screen lies between them; of an element the jacket is round its screens.
        $within = $isTwice ? $within : $this->around($element, ElementLayer::Jacket, $path, $within);
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
        $screened = $within;
        $within = $isTwice ? $this->around($element, ElementLayer::Jacket, $path, $within) : $within;
        $within = $this->around($element, ElementLayer::Wrap, $path, $within);
        $within = $this->beside($element, self::BESIDE, $path, $within);
        foreach ($element->children as $child) {
            if ($child->kind === ElementKind::Core) {
                $this->core($child, $in($child), $within);
            } elseif ($child->kind === ElementKind::Drain) {
                $this->pieces[] = self::wire($child, Piece::asCut($in($child), PieceKind::Drain, ...$screened));
            } elseif ($child->children !== []) {
                $this->visit($child, $in($child), $within);
            }
        }
    }

    /**
     * @param  list<string>  $within
     * @return list<string> with it, where there is such a layer
     */
    private function around(Element $element, ElementLayer $layer, string $path, array $within): array
    {
        if (! in_array($layer, $element->layers, true)) {
            return $within;
        }
        $kind = $layer === ElementLayer::Jacket ? PieceKind::InnerSheath : PieceKind::Wrap;
        $piece = Piece::asCut($path, $kind, ...$within);
        $this->pieces[] = $piece;

        return [...$within, $piece->key()];
    }

    /**
     * @param  list<array{ElementLayer, PieceKind}>  $layers
     * @param  list<string>  $within
     * @return list<string> as it was: nothing lies within these
     */
    private function beside(Element $element, array $layers, string $path, array $within): array
    {
        foreach ($layers as [$layer, $kind]) {
            if (in_array($layer, $element->layers, true)) {
                $this->pieces[] = Piece::asCut($path, $kind, ...$within);
            }
        }

        return $within;
    }

    /** @param  list<string>  $within */
    private function core(Element $core, string $path, array $within): void
    {
        if (in_array(ElementLayer::Conductive, $core->layers, true)) {
            $layer = Piece::asCut($path, PieceKind::ConductiveLayer, ...$within);
            $this->pieces[] = $layer;
            $within[] = $layer->key();
        }
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
