<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;

/** Somebody has compared a connector with what it mates with. */
final readonly class ContactsChecked implements Shape
{
    /**
     * @param  string  $print  of what was compared, as the page showed it
     */
    public function __construct(#[Text(max: 255)] public string $fitting, #[Text(max: 64)] public string $print)
    {
    }
}
