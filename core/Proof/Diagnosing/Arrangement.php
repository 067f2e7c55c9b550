<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

/** A way in which all of a connector can be loaded wrong by one misunderstanding. */
final readonly class Arrangement
{
    /** @param  array<int|string, string>  $to  joint id → terminal that it would sit on; as it should be, left out */
    public function __construct(public FaultKind $kind, public array $to)
    {
    }
}
