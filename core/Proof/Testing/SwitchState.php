<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\WiringEdit;

/** One position of an assembly's switches in which it is tested. */
final readonly class SwitchState
{
    /** @param  string  $id  "" for the baseline: every switch at rest */
    public function __construct(public string $id, public string $name, public WiringEdit $edit)
    {
    }
}
