<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

/** What was decided of a loom, as far as parts are asked for. */
final readonly class LoomFacts
{
    /** @param  list<Ask>  $dress  what dressing it takes */
    public function __construct(public string $id, public string $name, public array $dress)
    {
    }
}
