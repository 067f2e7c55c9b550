<?php

declare(strict_types=1);

namespace App\Bench;

/** A job as it was looked at, all its sides. */
final readonly class JobMade
{
    /** @param  list<Stretch>  $ahead  what is left, in pieces that one person does in one go */
    public function __construct(public KeptJob $line, public array $ahead, public JobPast $past)
    {
    }
}
