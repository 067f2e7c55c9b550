<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/** What follows from a job's operations alone, found once: who needs whom, what counts for which bead, former names. */
final class JobShape
{
    /** @var array<int|string, string> first edition's id of an operation → its id */
    private array $first = [];

    /** @var array<int|string, list<string>>|null operation → those that need it */
    private ?array $needed = null;

    /** @var array<int|string, array<int|string, Milestone>>|null operation → what it counts for, by key */
    private ?array $counted = null;

    /** @param  array<int|string, Operation>  $operations  by id, in the order of work */
    public function __construct(public readonly array $operations)
    {
        foreach ($operations as $operation) {
            if ($operation->step->first !== '' && ! isset($operations[$operation->step->first])) {
                $this->first[$operation->step->first] = $operation->id;
            }
        }
    }

    /** What a recorded step is called now. */
    public function id(string $step): string
    {
        return $this->first[$step] ?? $step;
    }

    /** @return list<string> operations that need this one */
    public function neededBy(string $operation): array
    {
        if ($this->needed === null) {
            $this->needed = [];
            foreach ($this->operations as $later) {
                foreach ($later->needs as $need) {
                    $this->needed[$need->before][] = $later->id;
                }
            }
        }

        return $this->needed[$operation] ?? [];
    }

    /** @return array<int|string, array<int|string, Milestone>> operation → what it counts for, by key */
    public function counted(): array
    {
        return $this->counted ??= array_map(Milestone::countedBy(...), $this->operations);
    }
}
