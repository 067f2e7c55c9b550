<?php

declare(strict_types=1);

namespace Sartal\Core\Installation;

use Sartal\Core\Catalogue\Catalogue;

/** Everything that people decided about one installation. All maps are by id. */
final readonly class Installation
{
    /**
     * @param  Catalogue  $catalogue  the types that the installation uses, pinned
     * @param  array<string, Location>  $locations
     * @param  array<string, Way>  $ways
     * @param  array<string, Loom>  $looms
     * @param  array<string, Circuit>  $circuits
     * @param  array<string, Equipment>  $equipment
     * @param  array<string, Fitting>  $fittings
     * @param  array<string, Run>  $runs
     * @param  list<Mating>  $matings
     * @param  list<string>  $splices
     * @param  list<Link>  $links
     * @param  array<string, PanelSwitch>  $switches
     */
    public function __construct(
        public string $id,
        public string $name,
        public HouseRules $rules,
        public Catalogue $catalogue,
        public array $locations = [],
        public array $ways = [],
        public array $looms = [],
        public array $circuits = [],
        public array $equipment = [],
        public array $fittings = [],
        public array $runs = [],
        public array $matings = [],
        public array $splices = [],
        public array $links = [],
        public array $switches = [],
    ) {
    }

    public function locationName(string $id): string
    {
        return $this->locations[$id]->name ?? $id;
    }
}
