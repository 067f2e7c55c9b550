<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\Workpiece;

/**
 * A verb: what it needs, what it does, and which regions it reads and writes. Two steps whose regions do not touch are
 * free in order; doing them either way round gives the same workpiece.
 */
interface Act
{
    /** @return list<string> what is not as it has to be, in words; empty: it can be done */
    public function needs(Workpiece $on, Doing $doing): array;

    /** Done, whatever it needs. */
    public function done(Workpiece $on, Doing $doing): Workpiece;

    /** @return Regions that it reads, and that it writes */
    public function regions(Workpiece $on, Doing $doing): Regions;
}
