<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming\Packing;

/** Round things pressed into a bundle: where each lies, and the circle round them all. */
final readonly class Packing
{
    /**
     * @param  list<Circle>  $circles  in the order asked for; the bundle's middle is 0, 0
     * @param  float  $diameter  of the bundle, mm
     */
    public function __construct(public array $circles, public float $diameter)
    {
    }

    /** Centred, with the circle round them. */
    public static function around(Circle ...$circles): self
    {
        $round = EnclosingCircle::around(array_values($circles));

        return new self(
            array_map(
                static fn (Circle $circle): Circle => $circle->moved(-$round->x, -$round->y),
                array_values($circles),
            ),
            2 * $round->r,
        );
    }
}
