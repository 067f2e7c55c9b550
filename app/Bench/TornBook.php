<?php

declare(strict_types=1);

namespace App\Bench;

use RuntimeException;

/** A part of the book of jobs went, or is of another book: it is made anew. */
final class TornBook extends RuntimeException
{
}
