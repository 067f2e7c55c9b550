<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Gauge;
use Sartal\Core\Given\Measure\Length;

/**
 * One element of a cable's construction tree. A path such as "p7/a" leads
 * from the root to it; the root itself has the empty path.
 */
final readonly class Element
{
    /**
     * @param  string  $key  name among its siblings
     * @param  string  $colour  base colour, with a stripe after a slash: "white/blue"
     * @param  string  $pole  the side of a circuit that a core serves: "a", "b", "c" in order unless the
     *                        type says otherwise (a star-quad's are a, b, a, b); "screen" for bare conductors
     * @param  ?Gauge  $gauge  of a conductor
     * @param  ?HazardDomain  $domain  null: as the element above it
     * @param  list<Element>  $children
     * @param  ?Length  $diameter  over it, its own jacket or insulation included; null: not stated
     * @param  int  $strands  wires in a conductor: 1 is solid, 0 not stated
     * @param  ?float  $permittivity  relative, of the dielectric that a coax's centre lies in
     * @param  ?int  $impedance  nominal, in Ω; a coax's follows from its geometry instead
     * @param  ?float  $capacitance  pF/m between its two cores, of a pair or quad; a coax's follows from its geometry
     * @param  ?float  $lossTangent  of the dielectric that a coax's centre lies in
     * @param  string  $prepares  how it is prepared, by which connectors name procedures; "" as the element above it
     * @param  list<ElementLayer>  $layers  what else is in it
     */
    public function __construct(
        public string $key,
        public ElementKind $kind,
        public string $label,
        public string $colour = '',
        public string $pole = '',
        public ?Gauge $gauge = null,
        public ?HazardDomain $domain = null,
        public array $children = [],
        public ?Length $diameter = null,
        public int $strands = 0,
        public Metal $metal = Metal::Copper,
        public ?float $permittivity = null,
        public ?int $impedance = null,
        public string $prepares = '',
        public ?float $capacitance = null,
        public ?float $lossTangent = null,
        public array $layers = [],
    ) {
    }
}
