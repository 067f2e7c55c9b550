<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Given\Installation\Method;

/** Faults of one kind that pass every check that was chosen. */
final readonly class Unseen
{
    /**
     * @param  non-empty-list<Fault>  $faults
     * @param  ?Method  $add  the cheapest check that shows all of them; null where no single one does
     */
    public function __construct(public FaultKind $kind, public array $faults, public ?Method $add)
    {
    }
}
