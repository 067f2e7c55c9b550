<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\Element;

/** What a cable's construction says of the line in one of its elements, found once for all runs of the type. */
final readonly class LineFacts
{
    /**
     * @param  ?Element  $coax  the first coax in it, itself included
     * @param  ?float  $picofarads  pF/m between the two sides, as the type states it
     */
    public function __construct(public ?Element $coax, public ?float $picofarads)
    {
    }
}
