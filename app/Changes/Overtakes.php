<?php

declare(strict_types=1);

namespace App\Changes;

use RuntimeException;
use Sartal\Core\Later\Changing\Impact;

/** An edit that was asked about overtakes work that is done: nothing is written. */
final class Overtakes extends RuntimeException
{
    public function __construct(public readonly string $words, public readonly Impact $impact)
    {
        parent::__construct(sprintf('%s overtakes work that is done. Nothing is changed yet.', $words));
    }
}
