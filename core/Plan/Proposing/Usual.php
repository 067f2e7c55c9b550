<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

/**
 * On what a signal is usually carried, and how it ends, where an installation has no habit of its own yet. Common
 * practice; which types those are is the catalogue's to say.
 */
final readonly class Usual
{
    /**
     * @param  string  $signal  signal type id
     * @param  bool  $isLead  of loose leads, not of what lies in a building
     * @param  list<string>  $words  by which people mean this use of the signal rather than another; none: any use
     * @param  list<string>  $cables  cable type ids: the first that carries as many
     * @param  list<string>  $from  contact plan ids for the end that sends: the first that is there
     * @param  list<string>  $to  the same for the end that receives
     * @param  bool  $isApart  each line is a cable of its own, however many there are
     * @param  string  $because  in words
     */
    public function __construct(
        public string $signal,
        public bool $isLead,
        public array $words,
        public array $cables,
        public array $from,
        public array $to,
        public bool $isApart,
        public string $because,
    ) {
    }
}
