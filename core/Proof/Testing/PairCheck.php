<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/** Contacts that must be fed by one twisted pair: what a wire-map tester checks beyond continuity. */
final readonly class PairCheck
{
    public const SPLIT = 'split';

    public const TOGETHER = 'together';

    /** @param  list<string>  $nodes contacts on the side that is probed */
    public function __construct(public string $id, public array $nodes)
    {
    }
}
