<?php

declare(strict_types=1);

namespace Tests\Support;

use Sartal\Core\Ends\Making\FarEnd;
use Sartal\Core\Ends\Making\Station;
use Sartal\Core\Ends\Making\Stations;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;

/** An end that can be made of the catalogue, and how it is made; null where nothing says how. */
final readonly class CatalogueEnd
{
    /**
     * @param  string  $name  "cable → connector, exit"
     * @param  list<string>  $protective  functions that are protective earth's
     */
    public function __construct(
        public string $name,
        public CableType $cable,
        public ?MakingProcedure $procedure,
        public Workpiece $workpiece,
        public Station $station,
        public Stations $stations,
        public array $protective,
    ) {
    }

    /** What it stands before as the second half of a cable whose first it plugs into. */
    public function second(): Station
    {
        return $this->procedure === null
            ? $this->station
            : $this->stations->for($this->procedure, $this->protective, FarEnd::Mates);
    }
}
