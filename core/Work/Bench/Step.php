<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/** Like operations in a row: what the screen and the printed traveller show as one line. */
final readonly class Step
{
    /** @param  non-empty-list<Operation>  $operations its pieces, in order */
    public function __construct(public int $number, public array $operations)
    {
    }

    public function first(): Operation
    {
        return $this->operations[0];
    }

    /** How many pieces it has. */
    public function count(): int
    {
        return count($this->operations);
    }

    /** @return list<string> places of its pieces, each once */
    public function places(): array
    {
        return array_values(
            array_unique(array_map(static fn (Operation $operation): string => $operation->place, $this->operations)),
        );
    }

    /** min, by standard times. */
    public function minutes(): float
    {
        return array_sum(
            array_map(
                static fn (Operation $operation): float => $operation->pace->minutes() * $operation->amount,
                $this->operations,
            ),
        );
    }
}
