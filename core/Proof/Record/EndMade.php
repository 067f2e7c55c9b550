<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Of an end, or a contact of it, that was joined. */
final readonly class EndMade implements Particulars
{
    /** @param  list<string>  $joints  "conductor>node"; nothing where it was not written down */
    public function __construct(public array $joints)
    {
    }
}
