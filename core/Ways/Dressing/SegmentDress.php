<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Dressing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Ways\Looming\Packing\Packing;
use Sartal\Core\Ways\Looming\Segment;

/** One segment of a loom as the bench makes it up. */
final readonly class SegmentDress
{
    /**
     * @param  list<string>  $runs  ids, whose cable types are known
     * @param  list<CableType>  $cables  of those runs
     * @param  Packing  $packing  its circles in the order of the cables
     * @param  Figure  $diameter  mm
     * @param  Figure  $bend  least radius, mm
     * @param  Figure  $mass  kg of the whole segment
     * @param  list<SleevePiece>  $shrinks
     * @param  ?Part  $tie  null where nothing is tied
     * @param  list<Length>  $points  ties and lacing points, from its beginning
     */
    public function __construct(
        public Segment $segment,
        public array $runs,
        public array $cables,
        public Packing $packing,
        public Figure $diameter,
        public Figure $bend,
        public Figure $mass,
        public ?SleevePiece $sleeve,
        public array $shrinks,
        public ?Part $tie,
        public array $points,
    ) {
    }
}
