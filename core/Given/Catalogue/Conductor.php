<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Gauge;

/** A conductor where it stands in its cable: everything that the wiring needs to know of it. */
final readonly class Conductor
{
    /**
     * @param  string  $path  from the cable's root, "p7/a"
     * @param  string  $parent  path of the element that holds it
     * @param  ?string  $twist  path of the pair, triad or quad it is twisted in
     */
    public function __construct(
        public string $path,
        public string $parent,
        public Element $element,
        public Gauge $gauge,
        public ?string $twist,
        public HazardDomain $domain,
    ) {
    }

    /** Ω per metre at 20 °C. */
    public function ohmsPerMetre(): float
    {
        return $this->gauge->ohmsPerMetre() * $this->element->metal->resistance();
    }

    public function isBare(): bool
    {
        return $this->element->kind->isBare();
    }

    /** It touches the foil round mains cores: it belongs to protective earth. */
    public function isMainsDrain(): bool
    {
        return $this->isBare() && $this->domain === HazardDomain::Mains;
    }
}
