<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** One of the conductors that a signal needs, and which conductor of a cable carries it. */
final readonly class SignalFunction
{
    /** The pole of every bare conductor. */
    public const SCREEN = 'screen';

    /**
     * @param  string  $name  "hot", "cold", "screen"
     * @param  int  $part  which pair (coax, group) of the carrying element, from 1; 0 for the element's own screen
     * @param  string  $pole  "a", "b", … of that part, or "screen"
     * @param  bool  $required  a cable without such a conductor cannot carry the signal
     * @param  bool  $protective  a protective earth: left longest, so that it parts last
     */
    public function __construct(
        public string $name,
        public int $part,
        public string $pole,
        public bool $required = true,
        public bool $protective = false,
    ) {
    }
}
