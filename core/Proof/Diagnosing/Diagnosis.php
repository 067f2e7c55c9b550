<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

final readonly class Diagnosis
{
    /** @param  list<Trouble>  $troubles independent of each other */
    public function __construct(public array $troubles)
    {
    }
}
