<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** What an event of its kind says besides who did what, where and when. */
interface Particulars
{
}
