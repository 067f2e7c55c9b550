<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

use Sartal\Core\Given\Catalogue\HazardDomain;

/** How a leg of an end that was opened is made: by a procedure of its own, where the outer one stopped. */
final readonly class LegMaking
{
    /**
     * @param  HazardDomain  $carries  which legs are meant
     * @param  string  $procedure  its id; "" for whichever its connector has
     * @param  bool  $last  the others are finished at both ends before it is begun
     */
    public function __construct(public HazardDomain $carries, public string $procedure, public bool $last = false)
    {
    }

    public function isOf(HazardDomain $carries, string $procedure): bool
    {
        return $carries === $this->carries && in_array($this->procedure, ['', $procedure], true);
    }
}
