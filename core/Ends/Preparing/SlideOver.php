<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

/** What a part on the cable goes round in the end. */
enum SlideOver
{
    /** The leg, behind or over its connector. */
    case Leg;
    /** All joints of a leg together. */
    case Joints;
    /** Each core by itself, once the sheath is off. */
    case Cores;
}
