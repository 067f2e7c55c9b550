<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * The tests of one assembly that still speak of it as it is: those since
 * anything of it was made again. Two people who tested it both stay in the
 * record; where they contradict each other, somebody says which holds, and
 * the others are set aside.
 */
final readonly class Trials
{
    /** @param  list<Event>  $standing  as they were received */
    private function __construct(private array $standing)
    {
    }

    /** @param  list<Event>  $events  of all of the assembly's runs, as they were received */
    public static function among(array $events): self
    {
        $standing = [];
        foreach ($events as $event) {
            if ($event->kind === EventKind::Tested) {
                $standing[$event->id] = $event;
            } elseif ($event->kind === EventKind::Settled && isset($standing[$event->of()])) {
                $holds = $standing[$event->of()];
                $standing = array_filter(
                    $standing,
                    static fn (Event $test): bool => $test->stage() !== $holds->stage() || $test->id === $holds->id,
                );
            } elseif (self::makesAgain($event)) {
                $standing = [];
            }
        }

        return new self(array_values($standing));
    }

    /**
     * The test that counts: the last, or the one that failed where two contradict. A look before closing counts where
     * it failed.
     */
    public function current(): ?Event
    {
        foreach (TestStage::cases() as $stage) {
            foreach ($this->contradiction($stage) as $test) {
                if ($test->verdict() === Verdict::Fails) {
                    return $test;
                }
            }
        }
        $last = null;
        foreach ($this->standing as $test) {
            $last = $test->stage() !== TestStage::BeforeClosing || $test->verdict() === Verdict::Fails ? $test : $last;
        }

        return $last;
    }

    public function last(TestStage $stage): ?Event
    {
        $own = $this->at($stage);

        return $own === [] ? null : $own[count($own) - 1];
    }

    /**
     * What the last test of each person says, where it is not the same.
     *
     * @return list<Event> empty where they agree
     */
    public function contradiction(TestStage $stage): array
    {
        $byPerson = [];
        foreach ($this->at($stage) as $test) {
            if ($test->verdict() === Verdict::Passes || $test->verdict() === Verdict::Fails) {
                $byPerson[$test->by] = $test;
            }
        }
        $said = array_unique(
            array_map(static fn (Event $test): string => $test->verdict()->value ?? '', array_values($byPerson)),
        );

        return count($said) < 2 ? [] : array_values($byPerson);
    }

    /** @return list<Event> */
    public function at(TestStage $stage): array
    {
        return array_values(array_filter($this->standing, static fn (Event $test): bool => $test->stage() === $stage));
    }

    /** Whether the assembly, or an end of it, is another one afterwards. */
    private static function makesAgain(Event $event): bool
    {
        return match ($event->kind) {
            EventKind::Remade, EventKind::Repaired => true,
            // That a piece serves all the same makes nothing again.
            EventKind::Cut => $event->of() === '',
            EventKind::Joined => $event->step === '',
            EventKind::Reworked => ($event->rework()->reopens ?? []) !== [],
            EventKind::TakenBack => $event->undoes() === EventKind::Joined,
            default => false,
        };
    }
}
