<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use App\Models\Office;

/** Somebody who joins an organisation. */
final readonly class NewColleague implements Shape
{
    /**
     * @param  list<Office>  $offices
     */
    public function __construct(
        #[Text(max: 120, remedy: 'Write the person’s name.')] public string $name,
        #[Text(remedy: 'Write a sign-in name, such as a mail address.')] public string $signIn,
        #[Items(max: 2)] public array $offices,
    ) {
    }
}
