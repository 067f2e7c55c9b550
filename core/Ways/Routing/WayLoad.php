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

    /**
     * @param  list<string>  $runs  ids
     * @param  list<CableType>  $cables  one for each of them whose type is known
     */
    public static function of(Way $way, array $runs, array $cables): self
    {
        $families = array_count_values(array_map(static fn (CableType $cable): string => $cable->family, $cables));
        ksort($families);

        return new self(
            $way,
            $runs,
            $families,
            $cables,
            Filling::fill($way, $cables),
            FillRule::for($way, count($cables)),
            Filling::jam($way, $cables),
            Filling::mass($cables),
        );
    }

    public function isOver(): bool
    {
        return $this->fill !== null && $this->rule !== null && $this->fill->value > $this->rule->design;
    }
}
