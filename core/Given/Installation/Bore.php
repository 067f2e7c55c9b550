<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;

/** The inside of a way: round with a diameter, or with a width and a height. */
final readonly class Bore
{
    private function __construct(public Length $width, public ?Length $height)
    {
    }

    public static function round(Length $diameter): self
    {
        return new self($diameter, null);
    }

    public static function rectangular(Length $width, Length $height): self
    {
        return new self($width, $height);
    }

    public function isRound(): bool
    {
        return $this->height === null;
    }

    /** In mm². */
    public function area(): float
    {
        $width = $this->width->inMillimetres();

        return $this->height === null ? (M_PI / 4) * $width ** 2 : $width * $this->height->inMillimetres();
    }

    /** Whether something of this cross-section goes through, turned as it may. */
    public function passes(Length $wide, Length $high): bool
    {
        [$large, $small] =
            $wide->compare($high) >= 0
                ? [$wide->inMillimetres(), $high->inMillimetres()]
                : [$high->inMillimetres(), $wide->inMillimetres()];
        if ($this->height === null) {
            return hypot($large, $small) <= $this->width->inMillimetres();
        }
        $sides = [$this->width->inMillimetres(), $this->height->inMillimetres()];

        return $large <= max($sides) && $small <= min($sides);
    }

    public function text(): string
    {
        return $this->height === null
            ? '⌀ '.$this->width->canonical()
            : $this->width->canonical().' × '.$this->height->canonical();
    }
}
