<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Telling;

use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Plan\Planning\Strand;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Trials;

/**
 * Whom something that was done concerns who did not do it (common practice of shops: whoever asked, whoever made it,
 * whoever was given it, whoever has to decide).
 */
final readonly class Concerned
{
    /**
     * @param  list<string>  $answering  who may answer a question
     * @param  list<string>  $leading  who has to know where work stands still
     * @param  list<string>  $given  who was given the work that it is about
     */
    public function __construct(private array $answering, private array $leading, private array $given)
    {
    }

    /**
     * @param  list<Event>  $before  what was recorded on the same assembly before, in order
     * @return array<int|string, NoticeKind> person → as what
     */
    public function by(Event $event, array $before): array
    {
        $told = match ($event->kind) {
            EventKind::Asked => array_fill_keys($this->asked($event), NoticeKind::Asked),
            EventKind::Answered => self::answered($event, $before),
            EventKind::Held => array_fill_keys(
                [...$this->given, ...$this->leading, ...self::hands($before)],
                NoticeKind::Held,
            ),
            EventKind::Lifted => array_fill_keys(
                [...$this->given, ...self::hands($before), ...self::author($event->of(), $before)],
                NoticeKind::Held,
            ),
            EventKind::Reworked => array_fill_keys(
                self::makers($event->rework()->reopens ?? [], $before),
                NoticeKind::SentBack,
            ),
            EventKind::Tested => array_fill_keys(self::contradicted($event, $before), NoticeKind::Contradicted),
            EventKind::Settled => array_fill_keys(self::setAside($event, $before), NoticeKind::Contradicted),
            default => [],
        };
        unset($told[$event->by]);

        return $told;
    }

    /** Whether an event of a kind may concern anybody but whoever does it. */
    public static function may(EventKind $kind): bool
    {
        return match ($kind) {
            EventKind::Asked,
            EventKind::Answered,
            EventKind::Held,
            EventKind::Lifted,
            EventKind::Reworked,
            EventKind::Tested,
            EventKind::Settled => true,
            default => false,
        };
    }

    /**
     * Ids of what was told before and is over now: a question that is answered, a hold that is lifted, tests that do
     * not contradict each other any more.
     *
     * @param  list<Event>  $before  what was recorded on the same assembly before, in order
     * @return list<string>
     */
    public static function over(Event $event, array $before): array
    {
        return match ($event->kind) {
            EventKind::Answered, EventKind::Lifted => [$event->of()],
            EventKind::Settled => array_map(
                static fn (Event $test): string => $test->id,
                Trials::among($before)->at($event->stage()),
            ),
            default => [],
        };
    }

    /**
     * Whose work it was that does not fit any more.
     *
     * @param  list<Stage>  $stages  of a run, that are overtaken
     * @param  list<Event>  $events  of the run and of its assembly, in order
     * @return array<int|string, array<string, Event>> person → stage → what they did
     */
    public static function overtaken(array $stages, array $events): array
    {
        $whose = [];
        foreach ($stages as $stage) {
            [$kinds, $side] = Strand::evidence($stage);
            $last = $stage === Stage::Test ? Trials::among($events)->current() : null;
            foreach ($stage === Stage::Test ? [] : $events as $event) {
                if ($event->step !== '' || ($side !== null && $event->side !== $side)) {
                    continue;
                }
                if (in_array($event->kind, $kinds, true)) {
                    $last = $event;
                } elseif ($event->kind === EventKind::TakenBack && in_array($event->undoes(), $kinds, true)) {
                    $last = null;
                }
            }
            if ($last !== null) {
                $whose[$last->by][$stage->value] = $last;
            }
        }

        return $whose;
    }

    /** @return list<string> those named, and whoever may answer where none of them may */
    private function asked(Event $question): array
    {
        $named = $question->asks();

        return array_intersect($named, $this->answering) === [] ? [...$named, ...$this->answering] : $named;
    }

    /**
     * Whoever asked wanted to know; whoever was asked by name need not look any more.
     *
     * @param  list<Event>  $before
     * @return array<int|string, NoticeKind>
     */
    private static function answered(Event $answer, array $before): array
    {
        return array_fill_keys(self::author($answer->of(), $before), NoticeKind::Answered);
    }

    /**
     * @param  list<Event>  $events
     * @return list<string>
     */
    private static function author(string $id, array $events): array
    {
        foreach ($events as $event) {
            if ($event->id === $id) {
                return [$event->by];
            }
        }

        return [];
    }

    /**
     * @param  list<Event>  $events
     * @return list<string> whose hands have been on it
     */
    private static function hands(array $events): array
    {
        $done = array_filter($events, static fn (Event $event): bool => $event->kind->isDone());

        return array_values(array_unique(array_map(static fn (Event $event): string => $event->by, $done)));
    }

    /**
     * @param  list<string>  $steps
     * @param  list<Event>  $before
     * @return list<string> who did them last
     */
    private static function makers(array $steps, array $before): array
    {
        $by = [];
        foreach ($before as $event) {
            if ($event->kind->isDone() && in_array($event->step, $steps, true)) {
                $by[$event->step] = $event->by;
            }
        }

        return array_values(array_unique($by));
    }

    /**
     * @param  list<Event>  $before
     * @return list<string> whose tests say otherwise
     */
    private static function contradicted(Event $test, array $before): array
    {
        $people = [];
        foreach (Trials::among([...$before, $test])->contradiction($test->stage()) as $other) {
            if ($other->by !== $test->by && $other->verdict() !== $test->verdict()) {
                $people[] = $other->by;
            }
        }

        return $people;
    }

    /**
     * @param  list<Event>  $before
     * @return list<string> whose tests do not count any more
     */
    private static function setAside(Event $settled, array $before): array
    {
        $people = [];
        foreach (Trials::among($before)->contradiction($settled->stage()) as $test) {
            if ($test->id !== $settled->of()) {
                $people[] = $test->by;
            }
        }

        return $people;
    }
}
