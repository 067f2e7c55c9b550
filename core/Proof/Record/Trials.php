<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * The tests of one assembly that still speak of it as it is: those since
 * anything of it was made again. Two people who tested it both stay in the
 * record; where they contradict each other, somebody says which holds, and
 * the others are set aside. A test that says what it was taken on counts for
 * that, whenever it arrives and whatever its clock said.
 */
final readonly class Trials
{
    /** @param  list<Event>  $standing  in order */
    private function __construct(private array $standing)
    {
    }

    /** @param  list<Event>  $events  of all of the assembly's runs, in order */
    public static function among(array $events): self
    {
        $standing = [];
        $basis = new Basis();
        foreach ($events as $event) {
            if ($event->kind === EventKind::Tested) {
                if ($basis->has($event)) {
                    $standing[$event->id] = $event;
                }
            } elseif ($event->kind === EventKind::Settled && isset($standing[$event->of()])) {
                $holds = $standing[$event->of()];
                $standing = array_filter(
                    $standing,
                    static fn (Event $test): bool => $test->stage() !== $holds->stage() || $test->id === $holds->id,
                );
            } elseif ($basis->take($event)) {
                // What follows in the order says by itself whether it was done on this.
                $standing = [];
            }
        }

        return new self(array_values($standing));
    }

    /** @return list<Event> */
    public function all(): array
    {
        return $this->standing;
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
        $byPerson = $by = [];
        foreach ($this->at($stage) as $test) {
            // What rests on a test that its own tester took again says no more than that one did.
            $byPerson = array_filter(
                $byPerson,
                static fn (Event $earlier): bool => array_intersect(
                    $earlier->test()->rests ?? [],
                    $by[$test->by] ?? [],
                ) === [],
            );
            $by[$test->by][] = $test->id;
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
}
