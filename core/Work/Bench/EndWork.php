<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/** What has been foreseen for one end up to where its legs meet their connectors. */
final readonly class EndWork
{
    /**
     * @param  array<int|string, non-empty-list<LegWork>>  $legs  by fitting
     * @param  ?string  $sleeve  operation that threads the label of the end on; null where the label can wait
     */
    public function __construct(public EndSheet $sheet, public array $legs, public ?string $sleeve)
    {
    }
}
