<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Worked;

/** Channels that are cut, sleeved and loaded together. */
final readonly class Block
{
    /**
     * @param  int  $number  from 1
     * @param  non-empty-list<string>  $channels
     * @param  string  $colour  by its number, as IEC 60062 colours digits
     * @param  Worked  $length  from the hood's exit to its middle
     * @param  Length  $offset  how much longer it is cut than the shortest
     */
    public function __construct(
        public int $number,
        public array $channels,
        public string $colour,
        public Worked $length,
        public Length $offset,
    ) {
    }
}
