<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Runs;

use ArrayAccess;
use Closure;
use Countable;
use IteratorAggregate;
use LogicException;
use Traversable;

/**
 * The plans of an installation's runs, each made when it is asked for.
 *
 * @implements ArrayAccess<int|string, RunPlan>
 * @implements IteratorAggregate<int|string, RunPlan>
 */
final class RunPlans implements ArrayAccess, Countable, IteratorAggregate
{
    /** @var array<int|string, RunPlan> */
    private array $made = [];

    /**
     * @param  array<int|string, mixed>  $of  by run, in order
     * @param  Closure(string): RunPlan  $make
     */
    public function __construct(private readonly array $of, private readonly Closure $make)
    {
    }

    /** @param  list<string>  $runs  in the order in which they are to come */
    public function among(array $runs): self
    {
        return new self(array_fill_keys($runs, true), $this->get(...));
    }

    /** @throws LogicException where there is no such run */
    public function get(int|string $run): RunPlan
    {
        return $this->made[$run] ??= isset($this[$run])
            ? ($this->make)((string) $run)
            : throw new LogicException(sprintf('There is no plan of run "%s".', $run));
    }

    /** The plan of a run where it was asked for already. */
    public function made(int|string $run): ?RunPlan
    {
        return $this->made[$run] ?? null;
    }

    /** @return array<int|string, RunPlan> all of them, by run */
    public function all(): array
    {
        return iterator_to_array($this);
    }

    /**
     * @template T
     *
     * @param  Closure(RunPlan): T  $of
     * @return array<int|string, T> by run
     */
    public function map(Closure $of): array
    {
        return array_map($of, $this->all());
    }

    public function getIterator(): Traversable
    {
        foreach ($this->of as $run => $of) {
            yield $run => $this->get($run);
        }
    }

    public function count(): int
    {
        return count($this->of);
    }

    public function offsetExists(mixed $offset): bool
    {
        return array_key_exists($offset, $this->of);
    }

    public function offsetGet(mixed $offset): RunPlan
    {
        return $this->get($offset);
    }

    /** @throws LogicException always: a plan follows from what is decided */
    public function offsetSet(mixed $offset, mixed $value): never
    {
        throw new LogicException('Plans of runs are not set.');
    }

    /** @throws LogicException always: a plan follows from what is decided */
    public function offsetUnset(mixed $offset): never
    {
        throw new LogicException('Plans of runs are not taken out.');
    }
}
