<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Text;
use App\Who\Passwords;

/** A new password, by whoever knows the one before. */
final readonly class OwnPassword implements Shape
{
    public function __construct(
        #[
            Text(max: Passwords::MOST, remedy: 'Write the password that you have now.', secret: true),
        ]
        public string $current,
        #[Text(max: Passwords::MOST, remedy: 'Write the new password.', secret: true)] public string $password,
    ) {
    }
}
