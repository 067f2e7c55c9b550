<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Schools;

/**
 * For what the house's answer may be departed from. Single ends may where neither polarity nor earth follows from it;
 * what both ends of a cable have to agree on is answered for the cable as a whole. Source: common practice.
 */
enum Latitude: string
{
    /** For nothing: the whole installation has one answer. */
    case House = 'house';

    /** For a family of cables or a loom. */
    case Group = 'group';

    /** For a family, a loom, or one end of a run. */
    case End = 'end';
}
