<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** How strong the signal at an audio port is. Data, video and mains have none. */
enum Level: string
{
    case None = '';
    case Microphone = 'microphone';
    case Line = 'line';
    case Instrument = 'instrument';
    case Speaker = 'speaker';
}
