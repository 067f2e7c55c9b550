<?php

declare(strict_types=1);

namespace Sartal\Core\Bench;

/** One wire on its way to a contact, as somebody at the vice knows it. */
final readonly class BenchCore
{
    /**
     * @param  string  $conductor  path in the cable
     * @param  string  $colour  with its stripe after a slash; "" where the type says none
     * @param  string  $element  what it lies in, "pair 15"
     */
    public function __construct(public string $run, public string $conductor, public string $colour, public string $element, public string $function, public string $channel)
    {
    }
}
