<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Labelling;

use Sartal\Core\Given\Installation\Side;

/** The texts of one label: the code large, and where the other end is. */
final readonly class Label
{
    /**
     * @param  string  $code  its first line, large: the run's code, or a leg's own number
     * @param  string  $line  its second
     * @param  string  $leg  "" for the end itself
     */
    public function __construct(
        public Side $side,
        public string $leg,
        public string $code,
        public string $end,
        public string $to,
        public string $line = '',
    ) {
    }
}
