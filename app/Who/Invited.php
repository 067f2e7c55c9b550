<?php

declare(strict_types=1);

namespace App\Who;

use App\Models\User;

/** Somebody new, and the link by which they come in. */
final readonly class Invited
{
    public function __construct(public User $person, public Invitation $invitation)
    {
    }
}
