<?php

declare(strict_types=1);

namespace Sartal\Core\Preparing;

use Sartal\Core\Catalogue\Part;

/** A part that belongs on the cable, and what to mind about it. */
final readonly class SlideOn
{
    /**
     * @param  bool  $before  must be on before the end is joined; what is split can wait
     * @param  int  $count  pieces of it
     */
    public function __construct(public Part $part, public bool $before, public string $note = '', public int $count = 1)
    {
    }
}
