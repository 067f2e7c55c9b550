<?php

declare(strict_types=1);

namespace App\Errands;

use RuntimeException;

/** Somebody does not want it any more. */
final class CalledOff extends RuntimeException
{
}
