<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Pinout;

/** In which direction channels are laid on a connector's face. */
enum LayOrder: string
{
    case Columns = 'columns';
    case Rows = 'rows';
}
