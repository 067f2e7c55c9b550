<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

/** One thing that a reading may show, and the causes that would show it. */
final readonly class Answer
{
    /**
     * @param  list<string>|float|string  $value
     * @param  non-empty-list<int>  $causes  by their place in the list of the trouble
     */
    public function __construct(public array|float|string $value, public array $causes)
    {
    }

    public function alsoBy(int $cause): self
    {
        return new self($this->value, [...$this->causes, $cause]);
    }
}
