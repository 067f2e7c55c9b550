<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Text;
use App\Who\Passwords;

/** Somebody comes in. */
final readonly class SignIn implements Shape
{
    public function __construct(
        #[Text(remedy: 'Write your sign-in name.')] public string $signIn,
        #[Text(max: Passwords::MOST, remedy: 'Write your password.', secret: true)] public string $password,
    ) {
    }
}
