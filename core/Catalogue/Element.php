<?php

declare(strict_types=1);

namespace Sartal\Core\Catalogue;

use Sartal\Core\Measure\Gauge;

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
    ) {
    }
}
