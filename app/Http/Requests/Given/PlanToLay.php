<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;
use Sartal\Core\Ends\Pinout\LayOrder;

/** Channels that are laid over a connector’s contacts. */
final readonly class PlanToLay implements Shape
{
    /**
     * @param  string  $first  the contact that it begins with
     */
    public function __construct(
        #[Text(max: 255)] public string $connector,
        #[Text(max: 255)] public string $signal,
        public LayOrder $order,
        #[Whole(min: 1, max: 500)] public int $channels,
        #[Text(max: 255, min: 0)] public string $first = '',
    ) {
    }
}
