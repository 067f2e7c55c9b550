<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Length;

/**
 * Electrical figures of a coaxial line from its geometry: any text on
 * transmission lines, e.g. Pozar, Microwave Engineering, chapter 2.
 */
final readonly class CoaxGeometry
{
    /** Vacuum permittivity, F/m (CODATA). */
    private const EPSILON_0 = 8.8541878e-12;

    /**
     * @param  Length  $centre  diameter of the inner conductor
     * @param  Length  $dielectric  diameter over the dielectric
     * @param  float  $permittivity  relative, of the dielectric
     */
    public function __construct(public Length $centre, public Length $dielectric, public float $permittivity)
    {
    }

    /** Characteristic impedance in Ω: 59.96 / √εr × ln(D/d). */
    public function impedance(): float
    {
        return (59.96 / sqrt($this->permittivity)) * $this->logRatio();
    }

    /** In F/m: 2π ε0 εr / ln(D/d). */
    public function capacitance(): float
    {
        return (2 * M_PI * self::EPSILON_0 * $this->permittivity) / $this->logRatio();
    }

    /** Share of the speed of light: 1/√εr. */
    public function velocity(): float
    {
        return 1 / sqrt($this->permittivity);
    }

    private function logRatio(): float
    {
        return log($this->dielectric->inMillimetres() / $this->centre->inMillimetres());
    }
}
