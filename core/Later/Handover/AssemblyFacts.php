<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Handover;

use Sartal\Core\Given\Measure\Lean;

/** Runs that are built and tested as one piece, and what where they stand is read against. */
final readonly class AssemblyFacts
{
    use Lean;

    /** @param  array<int|string, RunFacts>  $runs  by id, in the order of the assembly */
    public function __construct(public string $id, public array $runs)
    {
    }

    /** @return list<string> ids */
    public function runs(): array
    {
        return array_map(static fn (RunFacts $run): string => $run->id, array_values($this->runs));
    }

    /** @return list<RunFacts> that are not withdrawn */
    public function wanted(): array
    {
        return array_values(array_filter($this->runs, static fn (RunFacts $run): bool => ! $run->withdrawn));
    }

    /** @return string what it is called: its runs that are not withdrawn */
    public function code(): string
    {
        return implode(', ', array_map(static fn (RunFacts $run): string => $run->code, $this->wanted()));
    }
}
