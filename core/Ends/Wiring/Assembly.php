<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

/** Fittings and runs connected by joints: what is built and tested as one piece. */
final readonly class Assembly
{
    /**
     * @param  string  $id  the first of its runs, in order of id
     * @param  list<string>  $runs
     * @param  list<string>  $fittings
     */
    public function __construct(public string $id, public array $runs, public array $fittings)
    {
    }
}
