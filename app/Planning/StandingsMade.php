<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Later\Handover\AssemblyFacts;

/** Where everything stands, with all that it was read against. */
final readonly class StandingsMade
{
    /** @param  array<int, array<int|string, AssemblyFacts>>  $parts  facts by part and assembly */
    public function __construct(public StandingRules $rules, public array $parts, public StandingBook $book)
    {
    }
}
