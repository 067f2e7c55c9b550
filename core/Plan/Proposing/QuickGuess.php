<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

/** A whole run from one quick line, with everything that was understood or filled in. */
final readonly class QuickGuess
{
    /** @param  list<Understood>  $understood */
    public function __construct(public RunRequest $request, public array $understood)
    {
    }
}
