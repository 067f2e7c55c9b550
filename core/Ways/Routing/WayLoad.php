<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Figure;

/** What lies in one way. */
final readonly class WayLoad
{
    /**
     * @param  list<string>  $runs  ids
     * @param  array<int|string, int>  $families  of cables → how many
     * @param  list<CableType>  $cables  one for each run whose type is known
     * @param  ?Figure  $fill  per cent of its inside; null where its size is not stated
     * @param  ?FillRule  $rule  null where nothing limits it
     * @param  ?Figure  $jam  inner diameter by cable diameter, of three cables in a conduit
     * @param  Figure  $mass  kg for each metre of it
     */
    public function __construct(
        public Way $way,
        public array $runs,
        public array $families,
        public array $cables,
        public ?Figure $fill,
        public ?FillRule $rule,
        public ?Figure $jam,
        public Figure $mass,
    ) {
    }

    public function isOver(): bool
    {
        return $this->fill !== null && $this->rule !== null && $this->fill->value > $this->rule->design;
    }
}
