<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/** What follows from a job's operations alone, found once: who needs whom, what counts for which bead, former names. */
final class JobShape
{
    /** @var array<int|string, string> first edition's id of an operation → its id */
    private array $first = [];

    /** @var array<int|string, list<string>> what earlier editions called a step → operations that stand for it */
    private array $formerly = [];

    /** @var array<int|string, list<string>> step → what has to have been done before it */
    private array $implied = [];

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
            foreach ($operation->impliedBy as $after) {
                $this->implied[$after][] = $operation->id;
            }
            foreach ($operation->formers as $former) {
                foreach ($former->ids as $id) {
                    if ($id !== $operation->id) {
                        $this->formerly[$id][] = $operation->id;
                    }
                }
            }
        }
    }

    /** What a recorded step is called now. */
    public function id(string $step): string
    {
        return $this->first[$step] ?? $step;
    }

    /**
     * Everything that stands for a recorded step now: what an earlier edition did at once may be several things.
     *
     * @param  bool  $also  what is called so as well, and was no step of its own then
     * @return list<string>
     */
    public function ids(string $step, bool $also): array
    {
        $id = $this->id($step);
        $formerly = [...$this->formerly[$step] ?? [], ...$id === $step ? [] : $this->formerly[$id] ?? []];
        if (isset($this->operations[$id])) {
            return array_values(array_unique([$id, ...$also ? $formerly : []]));
        }

        return $formerly === [] ? [$id] : array_values(array_unique($formerly));
    }

    /** @return list<string> what has to have been done before a step, whether anybody wrote that down */
    public function impliedBy(string $step): array
    {
        return $this->implied[$this->id($step)] ?? [];
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
