<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Of a question: who is asked by name. */
final readonly class Asking implements Particulars
{
    /** @param  list<string>  $people  what the record calls them by; none: whoever may answer */
    public function __construct(public array $people)
    {
    }
}
