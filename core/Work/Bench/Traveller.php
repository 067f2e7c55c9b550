<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Schools\SecondEnd;

/** The way of a job across the bench: one order of work, on the screen and on paper. */
final readonly class Traveller
{
    /**
     * @param  list<Step>  $steps
     * @param  array<int|string, Operation>  $operations  by id, in order
     */
    private function __construct(public array $steps, public array $operations)
    {
    }

    /**
     * @param  list<Operation>  $operations  of one assembly, or of several that are made as a batch
     */
    public static function order(array $operations, HouseRules $rules): self
    {
        $ordered = (new Sequencer($rules->on(SecondEnd::class)))->order($operations);
        $steps = $pieces = [];
        foreach ($ordered as $operation) {
            if (
                $pieces !== [] &&
                ($pieces[0]->like !== $operation->like ||
                    $pieces[0]->phase !== $operation->phase ||
                    $pieces[0]->turn !== $operation->turn ||
                    $pieces[0]->side !== $operation->side)
            ) {
                $steps[] = new Step(count($steps) + 1, $pieces);
                $pieces = [];
            }
            $pieces[] = $operation;
        }
        if ($pieces !== []) {
            $steps[] = new Step(count($steps) + 1, $pieces);
        }

        return new self($steps, array_column($ordered, null, 'id'));
    }

    /** By its id, or by one that an earlier edition gave it; the first of several that stand for that. */
    public function find(string $id): ?Operation
    {
        if (isset($this->operations[$id])) {
            return $this->operations[$id];
        }
        foreach ($id === '' ? [] : $this->operations as $operation) {
            if ($operation->step->first === $id) {
                return $operation;
            }
        }
        foreach ($id === '' ? [] : $this->operations as $operation) {
            if (OperationFacts::formerly($operation, $id) !== null) {
                return $operation;
            }
        }

        return null;
    }

    /** min of hands at work, by standard times. */
    public function minutes(): float
    {
        return array_sum(array_map(static fn (Step $step): float => $step->minutes(), $this->steps));
    }
}
