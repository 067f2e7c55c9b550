<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Of something pictured. */
final readonly class Photo implements Particulars
{
    /** @param  string  $picture  name under which it is kept */
    public function __construct(public string $picture)
    {
    }
}
