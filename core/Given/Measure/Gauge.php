<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * The size of a conductor: an AWG number or a cross-section, with the
 * resistance per metre that follows from it.
 *
 * Sources: ASTM B258 for the AWG diameter; IEC 60028 for copper at 20 °C.
 */
final readonly class Gauge
{
    /** Ω·m at 20 °C, 100 % IACS (IEC 60028). */
    private const COPPER = 17.241e-9;

    private function __construct(
        public string $text,
        /** mm² */
        public float $area,
    ) {
    }

    /** @throws InvalidMeasure when the text is neither an AWG number nor an area in mm² */
    public static function parse(string $text): self
    {
        $trimmed = trim($text);
        if (preg_match('~^(\d{1,2}) ?AWG$~i', $trimmed, $m) === 1 && (int) $m[1] <= 40) {
            return self::awg((int) $m[1]);
        }
        if (preg_match('~^(\d{1,3}(?:\.\d{1,4})?) ?mm(?:2|²)$~u', $trimmed, $m) === 1 && (float) $m[1] > 0) {
            return new self($m[1].' mm2', (float) $m[1]);
        }
        throw InvalidMeasure::gauge($text);
    }

    public static function awg(int $number): self
    {
        // ASTM B258: d(n) = 0.127 mm × 92^((36 − n) / 39)
        $diameter = 0.127 * 92 ** ((36 - $number) / 39);

        return new self($number.' AWG', (M_PI / 4) * $diameter ** 2);
    }

    /** Of a solid round conductor of this area, in mm. */
    public function diameter(): float
    {
        return sqrt(($this->area * 4) / M_PI);
    }

    /** Ω per metre at 20 °C for solid copper. */
    public function ohmsPerMetre(): float
    {
        return self::COPPER / ($this->area * 1e-6);
    }
}
