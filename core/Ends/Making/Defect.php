<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

/** What can be found wrong with an end, and what putting it right goes back to. */
final readonly class Defect
{
    /**
     * @param  string  $name  as the procedure calls it: "dry joint"
     * @param  string  $sought  what is looked at, and how it has to be
     * @param  string  $since  when it is counted from, RFC 3339; "" from the first
     */
    public function __construct(
        public string $name,
        public string $sought,
        public Reopening $reopening,
        public string $since = '',
    ) {
    }
}
