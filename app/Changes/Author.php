<?php

declare(strict_types=1);

namespace App\Changes;

use App\Models\User;

/** Who decides something, and what they want where it overtakes work. */
final readonly class Author
{
    public function __construct(public User $user, public Intent $intent = Intent::Accept)
    {
    }
}
