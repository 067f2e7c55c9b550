<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Gauge;

/** The conductors that something takes, from the thinnest to the thickest. */
final readonly class GaugeRange
{
    /** Sizes are printed and pressed to a few per cent: an equal size in another system must fit. */
    private const TOLERANCE = 0.03;

    public function __construct(public Gauge $thinnest, public Gauge $thickest)
    {
    }

    public function takes(Gauge $gauge): bool
    {
        return $this->takesArea($gauge->area);
    }

    /** @param  float  $area  mm² of everything together in one terminal */
    public function takesArea(float $area): bool
    {
        return ! $this->isTooThin($area) && ! $this->isTooThick($area);
    }

    public function isTooThin(float $area): bool
    {
        return $area < $this->thinnest->area * (1 - self::TOLERANCE);
    }

    public function isTooThick(float $area): bool
    {
        return $area > $this->thickest->area * (1 + self::TOLERANCE);
    }

    public function text(): string
    {
        return $this->thinnest->text.' to '.$this->thickest->text;
    }
}
