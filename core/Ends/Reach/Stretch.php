<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\CoaxGeometry;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\Element;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\ElementPath;
use Sartal\Core\Given\Measure\Length;

/** One run's share of a circuit: so much of an element of a cable. */
final readonly class Stretch
{
    /** m/s in vacuum (CODATA). */
    public const LIGHT = 299_792_458.0;

    /** @param  string  $element  path of what carries the circuit; "" for the whole cable */
    public function __construct(
        public string $run,
        public CableType $cable,
        public string $element,
        public Length $length,
    ) {
    }

    public function with(CableType $cable): self
    {
        return new self($this->run, $cable, $this->element, $this->length);
    }

    public function metres(): float
    {
        return $this->length->inMetres();
    }

    private function line(): LineFacts
    {
        return $this->cable->kept->once(LineFacts::class, $this->element, $this->find(...));
    }

    private function find(): LineFacts
    {
        $coax = $picofarads = null;
        foreach ($this->cable->elements() as $path => $element) {
            $path = (string) $path;
            $inside = ElementPath::isWithin($path, $this->element);
            if ($inside && $element->kind === ElementKind::Coax) {
                $coax ??= $element;
            }
            // What holds it states it for what is in it.
            if ($inside || str_starts_with($this->element, $path.'/')) {
                $picofarads ??= $element->capacitance;
            }
        }

        return new LineFacts($coax, $picofarads);
    }

    public function coax(): ?CoaxGeometry
    {
        $coax = $this->line()->coax;

        return $coax === null ? null : $this->cable->coax($coax);
    }

    /** Of the dielectric, where it is stated. */
    public function lossTangent(): ?float
    {
        foreach ($this->line()->coax->children ?? [] as $core) {
            if ($core->lossTangent !== null) {
                return $core->lossTangent;
            }
        }

        return null;
    }

    /** pF/m between the two sides of the line: from a coax's geometry, else as the type states it; null: not stated. */
    public function picofaradsPerMetre(): ?float
    {
        $coax = $this->coax();

        return $coax === null ? $this->line()->picofarads : $coax->capacitance() * 1e12;
    }

    /** Share of the speed of light, from impedance and capacitance of a line: v = 1/(Z0 × C); null: not to be known. */
    public function velocity(): ?float
    {
        $coax = $this->coax();
        if ($coax !== null) {
            return $coax->velocity();
        }
        $ohms = $this->cable->impedance($this->element);
        $picofarads = $this->picofaradsPerMetre();

        return $ohms === null || $picofarads === null ? null : 1 / ($ohms * $picofarads * 1e-12) / self::LIGHT;
    }

    /** Both ways through the first pair of it, Ω at 20 °C; like poles in parallel; null where it has no two cores. */
    public function loopOhms(): ?float
    {
        $sides = [];
        foreach ($this->firstLine() as $i => $core) {
            $pole = $core->element->pole === '' ? chr(ord('a') + $i) : $core->element->pole;
            $sides[$pole] = ($sides[$pole] ?? 0.0) + 1 / $core->ohmsPerMetre();
        }
        if (isset($sides['a'], $sides['b'])) {
            return (1 / $sides['a'] + 1 / $sides['b']) * $this->metres();
        }
        $screen = 0.0;
        foreach ($this->cable->conductorsWithin($this->element) as $conductor) {
            $screen += $conductor->isBare() ? 1 / $conductor->ohmsPerMetre() : 0.0;
        }

        return isset($sides['a']) && $screen > 0.0 ? (1 / $sides['a'] + 1 / $screen) * $this->metres() : null;
    }

    /** Thinnest of its cores. */
    public function thinnest(): ?Conductor
    {
        $cores = $this->firstLine();
        usort($cores, static fn (Conductor $a, Conductor $b): int => $a->gauge->area <=> $b->gauge->area);

        return $cores[0] ?? null;
    }

    /** @return list<Conductor> cores of the first pair, quad or group of what carries the circuit */
    private function firstLine(): array
    {
        $cores = array_values(
            array_filter(
                $this->cable->conductorsWithin($this->element),
                static fn (Conductor $conductor): bool => ! $conductor->isBare(),
            ),
        );

        return array_values(
            array_filter($cores, static fn (Conductor $core): bool => $core->parent === $cores[0]->parent),
        );
    }
}
