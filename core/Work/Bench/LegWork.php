<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;

/** What has been foreseen for a leg up to where it meets its connector. */
final readonly class LegWork
{
    /**
     * @param  list<string>  $slid  operations that put something on it which must be on before it is joined
     * @param  ?string  $sleeve  operation that threads its label on; null where its label can wait
     * @param  MadeEnd  $end  as its procedure makes it
     * @param  array<int, list<string>>  $ops  operations of each of its steps that were foreseen
     */
    public function __construct(
        public Run $run,
        public Side $side,
        public SheetLeg $leg,
        public string $place,
        public array $slid,
        public ?string $sleeve,
        public MadeEnd $end,
        public array $ops,
    ) {
    }
}
