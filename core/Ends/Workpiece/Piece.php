<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Workpiece;

use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;

/**
 * One layer or conductor of a cable's end. Places along the cable are measured from its end as it came off the reel,
 * inwards, so that they stay what they are whatever is cut off.
 */
final readonly class Piece
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  string  $element  path in the cable's construction; "" where it is of the cable as a whole
     * @param  list<string>  $within  keys of the pieces round it, outermost first
     * @param  Length  $edge  where it begins: nearer to the end there is none of it
     * @param  Lie  $lie  how what stands out lies
     * @param  Length  $tinned  how much of it, from its edge
     * @param  bool  $solid  one wire
     * @param  string  $with  what it was twisted together with: the same for all of a strand; "" of one alone
     * @param  bool  $covered  a sleeve was put over what is bare of it
     */
    public function __construct(
        public string $element,
        public PieceKind $kind,
        public array $within,
        public Length $edge,
        public Lie $lie,
        public Length $tinned,
        public bool $solid = false,
        public string $with = '',
        public bool $covered = false,
    ) {
    }

    public static function asCut(string $element, PieceKind $kind, string ...$within): self
    {
        return new self($element, $kind, array_values($within), Length::zero(), Lie::InPlace, Length::zero());
    }

    /** One of its kind in an element. */
    public function key(): string
    {
        return self::keyOf($this->kind, $this->element);
    }

    public static function keyOf(PieceKind $kind, string $element): string
    {
        return $kind->value.' '.$element;
    }

    public function beginningAt(Length $edge): self
    {
        $shorter = $edge->minus($this->edge);
        $left = $this->tinned->compare($shorter) > 0 ? $this->tinned->minus($shorter) : Length::zero();

        return $this->copy(['edge' => $edge, 'tinned' => $this->tinned->isZero() ? $this->tinned : $left]);
    }

    public function lying(Lie $lie): self
    {
        return $this->copy(['lie' => $lie]);
    }

    public function tinnedFor(Length $length): self
    {
        return $this->copy(['tinned' => $length]);
    }

    public function ofOneWire(): self
    {
        return $this->copy(['solid' => true]);
    }

    /** @param  list<string>  $within  keys of what is round it now, outermost first */
    public function inside(array $within): self
    {
        return $this->copy(['within' => $within]);
    }

    public function inSleeve(): self
    {
        return $this->copy(['covered' => true]);
    }

    public function twistedWith(string $with): self
    {
        return $this->copy(['lie' => Lie::Twisted, 'with' => $with]);
    }
}
