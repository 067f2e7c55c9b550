<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Workpiece;

use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;

/** One end of a cable as it lies on the bench: what is left of each of its pieces. */
final readonly class CableEnd
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  Length  $cut  what was cut off: where its end is now, from where it was
     * @param  array<int|string, Piece>  $pieces  by key, outermost first
     * @param  list<string>  $order  elements in the order in which they lie side by side; nothing where they do not
     * @param  ?Length  $leaves  of a leg: where it leaves the sheath that is round them all
     */
    public function __construct(
        public Length $cut,
        public array $pieces,
        public array $order = [],
        public ?Length $leaves = null,
    ) {
    }

    /** @param  list<Piece>  $pieces */
    public static function of(array $pieces): self
    {
        $byKey = [];
        foreach ($pieces as $piece) {
            $byKey[$piece->key()] = $piece;
        }

        return new self(Length::zero(), $byKey);
    }

    public function piece(PieceKind $kind, string $element = ''): ?Piece
    {
        return $this->pieces[Piece::keyOf($kind, $element)] ?? null;
    }

    /**
     * One element by itself, or several together, where they come out of what is round the whole. Its own jacket is
     * its sheath; of one that has none, and of several, the sheath ends where that of the whole does.
     */
    public function leg(string ...$elements): self
    {
        $jacket = count($elements) === 1 ? $this->piece(PieceKind::InnerSheath, ...$elements) : null;
        $round = $this->piece(PieceKind::Sheath);
        $sheath = Piece::asCut('', PieceKind::Sheath)->beginningAt(($jacket ?? $round)->edge ?? $this->cut);
        $within = [];
        foreach ($this->pieces as $key => $piece) {
            $isOfIt = array_filter(
                $elements,
                static fn (string $element): bool => str_starts_with($piece->element.'/', $element.'/'),
            ) !== [];
            if ($isOfIt && $piece->key() !== $jacket?->key()) {
                $within[$key] = $piece;
            }
        }
        $pieces = [$sheath];
        foreach ($within as $piece) {
            $own = array_values(array_filter($piece->within, static fn (string $key): bool => isset($within[$key])));
            $pieces[] = $piece->inside([$sheath->key(), ...$own]);
        }

        return self::of($pieces)->copy(['cut' => $this->cut, 'leaves' => $round?->edge]);
    }

    /** Of a leg: it leaves what was round the whole as far from its end as that. */
    public function leaving(Length $at): self
    {
        return $this->copy(['leaves' => $at]);
    }

    /** @return list<Piece> */
    public function ofKind(PieceKind $kind): array
    {
        return array_values(array_filter($this->pieces, static fn (Piece $piece): bool => $piece->kind === $kind));
    }

    /** @return list<PieceKind> what there is of it, each once */
    public function kinds(): array
    {
        $kinds = [];
        foreach ($this->pieces as $piece) {
            $kinds[$piece->kind->value] = $piece->kind;
        }

        return array_values($kinds);
    }

    public function with(Piece ...$changed): self
    {
        $pieces = $this->pieces;
        foreach ($changed as $piece) {
            $pieces[$piece->key()] = $piece;
        }

        return $this->copy(['pieces' => $pieces]);
    }

    /** @param  list<string>  $elements */
    public function inOrder(array $elements): self
    {
        return $this->copy(['order' => $elements]);
    }

    /** Whatever stood out further than this is gone; what was cut off stays cut off. */
    public function cutAt(Length $at): self
    {
        $pieces = array_map(
            static fn (Piece $piece): Piece => $piece->edge->compare($at) < 0 ? $piece->beginningAt($at) : $piece,
            $this->pieces,
        );

        return $this->copy(['cut' => $at, 'pieces' => $pieces]);
    }

    /**
     * What keeps hands from a piece as far in as that.
     *
     * @param  Length  $at  from the end as it came
     */
    public function inTheWay(Piece $piece, Length $at): ?Piece
    {
        foreach ($piece->within as $key) {
            $around = $this->pieces[$key] ?? null;
            if ($around !== null && ! $around->lie->isAside() && $around->edge->compare($at) < 0) {
                return $around;
            }
        }

        return null;
    }

    /** Where a piece leaves what is round it, but for what covers it alone. */
    public function root(Piece $piece): Length
    {
        $root = $piece->edge;
        foreach ($piece->within as $key) {
            $around = $this->pieces[$key] ?? null;
            $isOwn = $around?->kind->isAroundAConductor() === true;
            if ($around !== null && ! $isOwn && ! $around->lie->isAside()) {
                $root = $around->edge;
            }
        }

        return $root;
    }

    /** Where the innermost of what holds a piece begins: beyond it the piece stands out. */
    public function held(Piece $piece): Length
    {
        $held = $piece->edge;
        foreach ($piece->within as $key) {
            $around = $this->pieces[$key] ?? null;
            if ($around !== null && ! $around->lie->isAside()) {
                $held = $around->edge;
            }
        }

        return $held;
    }
}
