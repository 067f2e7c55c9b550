<?php

declare(strict_types=1);

namespace Sartal\Core\Installation;

use Sartal\Core\Measure\Length;

/** Conventions chosen once for an installation; every sheet follows them. */
final readonly class HouseRules
{
    /**
     * @param  float  $routeAllowance  per cent added to the ways for bends and dressing
     * @param  Length  $cutStep  cut lengths are rounded up to it
     */
    public function __construct(
        public float $routeAllowance,
        public Length $cutStep,
        public ScreenAndDrain $screenAndDrain = ScreenAndDrain::DrainAlone,
        public ShellBond $shell = ShellBond::Free,
    ) {
    }

    public static function defaults(): self
    {
        return new self(3.0, Length::millimetres(50));
    }
}
