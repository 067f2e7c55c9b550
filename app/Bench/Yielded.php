<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Given\Measure\Lean;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Work\Bench\FoundFlaws;
use Sartal\Core\Work\Bench\Task;

/** What came of looking over connectors of one family. */
final readonly class Yielded
{
    use Lean;

    /**
     * @param  int  $looked  fittings that were looked over
     * @param  int  $reworked  fittings of them that went back
     * @param  array<int|string, int>  $found  flaw → how often
     */
    public function __construct(
        public int $looked = 0,
        public int $reworked = 0,
        public int $flags = 0,
        public array $found = [],
    ) {
    }

    /**
     * @param  list<Event>  $events  of the job
     * @param  array<int|string, string>  $families  fitting → family
     * @return array<int|string, self> by family
     */
    public static function in(array $events, Job $job, array $families): array
    {
        $of = [];
        foreach ($events as $event) {
            $operation = $event->step === '' ? null : $job->operation($event->step);
            $family = $families[$operation->fitting ?? ''] ?? null;
            if ($operation === null || $family === null) {
                continue;
            }
            $of[$family] ??= ['looked' => [], 'reworked' => [], 'flags' => 0, 'found' => []];
            $isLooked = $operation->task === Task::Inspect && $event->kind === EventKind::Inspected;
            if ($isLooked || $event->kind === EventKind::Reworked) {
                $of[$family]['looked'][$operation->fitting] = true;
            }
            if ($event->kind === EventKind::Reworked) {
                $of[$family]['reworked'][$operation->fitting] = true;
            }
            $of[$family]['flags'] += $event->kind === EventKind::Flagged ? 1 : 0;
            foreach (self::flaws($event) as $flaw) {
                $of[$family]['found'][$flaw] = ($of[$family]['found'][$flaw] ?? 0) + 1;
            }
        }

        return array_map(
            static fn (array $each): self => new self(
                count($each['looked']),
                count($each['reworked']),
                $each['flags'],
                $each['found'],
            ),
            $of,
        );
    }

    public function with(self $more): self
    {
        $found = $this->found;
        foreach ($more->found as $flaw => $count) {
            $found[$flaw] = ($found[$flaw] ?? 0) + $count;
        }

        return new self(
            $this->looked + $more->looked,
            $this->reworked + $more->reworked,
            $this->flags + $more->flags,
            $found,
        );
    }

    /** @return list<string> */
    private static function flaws(Event $event): array
    {
        if ($event->kind === EventKind::Flagged) {
            return $event->flag() === null ? [] : [$event->flag()->value];
        }

        return in_array($event->kind, [EventKind::Reworked, EventKind::Inspected], true) ? FoundFlaws::in($event) : [];
    }
}
