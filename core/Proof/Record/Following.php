<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/**
 * Beads that follow from steps at the bench, among what was recorded: each
 * came with its step and has its place directly after it. It says of the whole
 * what its step did, so it has the same hour and the same hands, and names it.
 */
final readonly class Following
{
    /**
     * @param  array<int|string, string>  $causes  id of what follows → id of its step
     * @param  array<int|string, list<Event>>  $of  id of a step → what follows from it
     */
    private function __construct(private array $causes, private array $of)
    {
    }

    /** @param  list<Event>  $events */
    public static function among(array $events): self
    {
        $steps = [];
        foreach ($events as $event) {
            if ($event->step !== '') {
                $steps[$event->id] = $event;
            }
        }
        $causes = $of = [];
        foreach ($steps === [] ? [] : $events as $event) {
            foreach ($event->step === '' ? $event->on ?? [] : [] as $id) {
                $step = $steps[$id] ?? null;
                if (
                    $step !== null &&
                    $step->received === $event->received &&
                    $step->at === $event->at &&
                    $step->by === $event->by
                ) {
                    $causes[$event->id] = $id;
                    $of[$id][] = $event;
                }
            }
        }
        // Ends before what speaks of both of them; else by what nobody chooses.
        foreach ($of as $id => $events) {
            usort(
                $of[$id],
                static fn (Event $a, Event $b): int => ($a->kind === EventKind::Inspected) <=>
                ($b->kind === EventKind::Inspected) ?:
                strcmp($a->id, $b->id),
            );
        }

        return new self($causes, $of);
    }

    public function isFollowing(Event $event): bool
    {
        return isset($this->causes[$event->id]);
    }

    /** @return string the id of the step that something follows from; its own, where it follows from none */
    public function cause(string $id): string
    {
        return $this->causes[$id] ?? $id;
    }

    /** @return list<Event> that follow from a step */
    public function of(Event $step): array
    {
        return $this->of[$step->id] ?? [];
    }

    /**
     * @param  list<Event>  $events  without them
     * @return list<Event> with them, each after its step
     */
    public function after(array $events): array
    {
        if ($this->of === []) {
            return $events;
        }
        $all = [];
        foreach ($events as $event) {
            $all[] = $event;
            foreach ($this->of($event) as $follows) {
                $all[] = $follows;
            }
        }

        return $all;
    }
}
