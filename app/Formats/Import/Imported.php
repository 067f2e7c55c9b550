<?php

declare(strict_types=1);

namespace App\Formats\Import;

use App\Formats\JoinedRows;
use Sartal\Core\Given\Installation\Equipment;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Mating;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Plan\Importing\Lengths;
use Sartal\Core\Plan\Proposing\Proposal;

/**
 * What a spreadsheet brings, or everything that keeps it out.
 *
 * @phpstan-type RowProblem array{sheet: string, row: int, column: string, value: string, remedy: string}
 */
final readonly class Imported
{
    /**
     * @param  array<int, Proposal>  $proposals
     * @param  list<RowProblem>  $problems
     * @param  list<array{name: string, takenAs: ?string}>  $columns  what each was taken for
     * @param  list<string>  $missing  fields that are needed and that neither a column nor a default says
     * @param  array<int|string, Location>  $places  that are made
     * @param  array<int|string, Loom>  $looms  that are made
     * @param  array<int|string, Equipment>  $devices  that are made
     * @param  array<int|string, Way>  $ways  that are made of lengths
     * @param  list<Mating>  $matings  what is plugged in
     * @param  Lengths  $lengths  of runs that lie in the building
     * @param  int  $examples  rows of the template that were passed over
     */
    public function __construct(
        public array $proposals,
        public JoinedRows $joined,
        public array $problems,
        public array $columns,
        public array $missing,
        public ReadWords $words,
        public array $places,
        public array $looms,
        public array $devices,
        public array $ways,
        public array $matings,
        public Lengths $lengths,
        public int $examples,
    ) {
    }
}
