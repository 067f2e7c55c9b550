<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Of a cut: the piece, and the cut that made it where this one only says that it serves. */
final readonly class CutNoted implements Particulars
{
    /**
     * @param  ?CutMade  $piece  as it was measured or as it was planned; null: nobody wrote it down
     * @param  string  $made  id of the event that made the piece; "" where this one did
     */
    public function __construct(public ?CutMade $piece, public string $made = '')
    {
    }
}
