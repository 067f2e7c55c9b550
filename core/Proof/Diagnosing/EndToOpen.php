<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

/** Which of several ends to open first, and why that one. */
final readonly class EndToOpen
{
    /**
     * @param  string  $fitting  fitting id
     * @param  non-empty-list<string>  $reasons
     */
    public function __construct(public string $fitting, public string $side, public array $reasons)
    {
    }
}
