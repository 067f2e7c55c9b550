<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

/** What comes nearest to a reading that nothing explains whole. */
final readonly class Partly
{
    /**
     * @param  int  $explained  lights, pairs and other readings that are wrong and would read as they do
     * @param  int  $wrong  of so many
     */
    public function __construct(public Cause $cause, public int $explained, public int $wrong)
    {
    }
}
