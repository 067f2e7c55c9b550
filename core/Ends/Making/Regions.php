<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

/** What of a workpiece a step looks at, and what it changes. */
final readonly class Regions
{
    /** Where everything that takes time is: two such steps are in order. */
    public const CLOCK = 'clock';

    public const END = 'the cut end';

    /**
     * @param  list<string>  $reads
     * @param  list<string>  $writes
     */
    public function __construct(public array $reads, public array $writes)
    {
    }

    /** Neither changes what the other looks at or changes. */
    public function areApart(self $other): bool
    {
        return array_intersect($this->writes, [...$other->reads, ...$other->writes]) === [] &&
            array_intersect($other->writes, $this->reads) === [];
    }
}
