<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

/** What of the work a change overtakes. */
enum OvertakenKind: string
{
    case Cut = 'cut';
    case End = 'end';
    case Steps = 'steps';
    case Look = 'look';
    case Label = 'label';
    case Place = 'place';
    case Test = 'test';
    case Signed = 'signed';
}
