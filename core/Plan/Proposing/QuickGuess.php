<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

/** What a quick line comes to: a run, or several alike, with everything that was understood or filled in. */
final readonly class QuickGuess
{
    /**
     * @param  non-empty-list<RunRequest>  $requests  each with a code of its own, else alike
     * @param  list<Understood>  $understood
     */
    public function __construct(public array $requests, public array $understood)
    {
    }
}
