<?php

declare(strict_types=1);

namespace App\Contract;

/** What may stand in the places of addresses. */
final class Places
{
    /** A number of a row, as far as rows go: what is longer is at no address. */
    public const NUMBER = '[0-9]{1,9}';
}
