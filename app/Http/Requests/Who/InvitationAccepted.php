<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Text;
use App\Who\Passwords;

/** Whoever holds an invitation sets a password. */
final readonly class InvitationAccepted implements Shape
{
    /**
     * @param  string  $signIn  who has one keeps it
     */
    public function __construct(
        #[
            Text(max: Passwords::MOST, remedy: 'Write the password that you want to have.', secret: true),
        ]
        public string $password,
        #[Text(min: 0)] public string $signIn = '',
    ) {
    }
}
