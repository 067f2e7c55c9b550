<?php

declare(strict_types=1);

namespace App\Http\Resources\Plan;

use App\Changes\StaleWrite;
use App\Formats\RunLine;
use App\Planning\InstallationStore;
use Sartal\Core\File\DecisionKind;

/** A write that came too late: both versions, field by field, so that nothing that was typed is lost. */
final readonly class StaleResource
{
    public function __construct(private InstallationStore $store)
    {
    }

    /** @return array<string, mixed> */
    public function of(StaleWrite $stale): array
    {
        [$decision, $edit] = [$stale->decision, $stale->edit];
        if ($decision->ifStale !== '') {
            return ['message' => $stale->getMessage(), 'stale' => $edit->key];
        }
        $seen = static fn (?array $shape): mixed => $decision->part === '' || $shape === null
            ? $shape
            : $shape[$decision->part] ?? null;

        return [
            'message' => $stale->getMessage(),
            'yours' => $edit->kind === DecisionKind::Run
                    ? (object) ($decision->typed ?? [])
                    : $decision->typed ?? $seen($edit->after),
            'theirs' => $edit->kind === DecisionKind::Run ? $this->run($stale) : $seen($stale->theirs),
            'version' => $stale->version,
        ];
    }

    /** @return ?array<string, mixed> as its form and its row in the schedule have it */
    private function run(StaleWrite $stale): ?array
    {
        $now = $this->store->load($stale->decision->in->refresh());
        $run = $now->installation->runs()[$stale->edit->key] ?? null;

        return $run === null
            ? null
            : ['line' => RunLine::describe($run, $now->installation), 'row' => ScheduleResource::row($run, $now)];
    }
}
