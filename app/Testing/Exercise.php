<?php

declare(strict_types=1);

namespace App\Testing;

/**
 * What the trainer hides from one person, and what they have spent so far.
 *
 * @phpstan-type ExerciseShown array{
 *     id: string,
 *     run: string,
 *     budget: int,
 *     opened: int,
 *     minutes: float,
 *     read: list<string>,
 *     over: bool,
 * }
 */
final readonly class Exercise
{
    /**
     * @param  string  $run  the assembly
     * @param  string  $fault  key of the fault that is in it
     * @param  int  $opened  ends that were opened
     * @param  float  $minutes  spent on readings
     * @param  list<string>  $read  methods that were read
     */
    public function __construct(
        public string $id,
        public string $run,
        public string $fault,
        public int $budget,
        public int $opened = 0,
        public float $minutes = 0.0,
        public array $read = [],
        public bool $over = false,
    ) {
    }

    public function after(string $method, float $minutes, bool $opens): self
    {
        return in_array($method, $this->read, true)
            ? $this
            : new self(
                $this->id,
                $this->run,
                $this->fault,
                $this->budget,
                $this->opened + ($opens ? 1 : 0),
                round($this->minutes + $minutes, 2),
                [...$this->read, $method],
                $this->over,
            );
    }

    public function ended(): self
    {
        return new self(
            $this->id,
            $this->run,
            $this->fault,
            $this->budget,
            $this->opened,
            $this->minutes,
            $this->read,
            true,
        );
    }

    /** @return ExerciseShown without what is hidden */
    public function shown(): array
    {
        return [
            'id' => $this->id,
            'run' => $this->run,
            'budget' => $this->budget,
            'opened' => $this->opened,
            'minutes' => $this->minutes,
            'read' => $this->read,
            'over' => $this->over,
        ];
    }
}
