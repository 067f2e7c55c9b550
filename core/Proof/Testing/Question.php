<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Given\Installation\Method;

/** One thing that a method can be asked: a probe, two of them, a pair, a contact of an opened end. */
final readonly class Question
{
    /**
     * @param  string  $at  what is touched; two points are parted by "|"
     * @param  string  $state  of the switches; "" at rest
     */
    public function __construct(public Method $method, public string $at, public string $state = '')
    {
    }

    public function key(): string
    {
        return $this->method->value."\n".$this->state."\n".$this->at;
    }
}
