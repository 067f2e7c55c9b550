<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** Where a leg arrives: a fitting, by one of its contact plans, each element on a channel of that plan. */
final readonly class Landing
{
    /** @param  array<int|string, string>  $channels element path → channel of the plan */
    public function __construct(public string $fitting, public string $plan, public array $channels)
    {
    }
}
