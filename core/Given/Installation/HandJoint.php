<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** A joint made otherwise than the plans would have it, and why. It replaces the derived one. */
final readonly class HandJoint
{
    /** @param  ?string  $to "fitting/address" or "splice:id"; null leaves the conductor open on purpose */
    public function __construct(public string $conductor, public ?string $to, public string $reason)
    {
    }
}
