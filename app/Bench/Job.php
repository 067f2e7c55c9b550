<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Traveller;

/** What one or several assemblies take at the bench, as it is kept between requests. */
final readonly class Job
{
    /**
     * @param  list<string>  $assemblies  ids; several are worked as a batch
     * @param  array<int|string, string>  $assemblyOf  run → assembly
     * @param  array<int|string, Fingerprints>  $fingerprints  by run
     * @param  string  $keptAs  the name under which it is kept; "" where it is not
     */
    public function __construct(
        public array $assemblies,
        public Traveller $traveller,
        public array $assemblyOf,
        public array $fingerprints,
        public string $keptAs = '',
    ) {
    }

    /** Under a name that says all that it follows from. */
    public function keptAs(string $name): self
    {
        return new self($this->assemblies, $this->traveller, $this->assemblyOf, $this->fingerprints, $name);
    }

    /** By its id, or by the one that the first edition gave it. */
    public function operation(string $id): ?Operation
    {
        return $this->traveller->find($id);
    }

    /** @return list<string> */
    public function runs(): array
    {
        return array_map(strval(...), array_keys($this->assemblyOf));
    }

    /** @return array<int|string, Operation> of one of its assemblies, in the order of work */
    public function operationsOf(string $assembly): array
    {
        return array_filter(
            $this->traveller->operations,
            fn (Operation $operation): bool => ($this->assemblyOf[$operation->run] ?? '') === $assembly,
        );
    }
}
