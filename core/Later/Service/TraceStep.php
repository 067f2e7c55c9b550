<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Service;

/** One thing that a circuit passes, on its way from one end to the others. */
final readonly class TraceStep
{
    /**
     * @param  int  $depth  branches before it
     * @param  string  $kind  "port", "connector", "run", "mating", "jumper" or "device"
     * @param  string  $run  run id of a run, or of the connector's run; "" where there is none
     * @param  string  $name  as it is labelled
     * @param  string  $place  location, in words
     * @param  list<string>  $contacts  "2 hot", or of a run its conductors
     */
    public function __construct(
        public int $depth,
        public string $kind,
        public string $run,
        public string $name,
        public string $place,
        public array $contacts,
    ) {
    }
}
