<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** What is wrong, or no longer wrong, with something that was confirmed. */
enum Flag: string
{
    case Damaged = 'damaged';
    case Extracted = 'extracted';
    case Redone = 'redone';

    /** It has to be done again. */
    public function reopens(): bool
    {
        return $this !== self::Redone;
    }
}
