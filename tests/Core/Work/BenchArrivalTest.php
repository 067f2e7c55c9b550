<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Ramsey\Uuid\Uuid;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Proof\Record\DerivedId;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Order;
use Sartal\Core\Proof\Record\SentBack;
use Sartal\Core\Proof\Record\TakenBack;
use Sartal\Core\Work\Bench\Conflict;
use Sartal\Core\Work\Bench\Dispute;
use Sartal\Core\Work\Bench\Milestones;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Prerequisite;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Status;
use Sartal\Core\Work\Bench\Traveller;
use Tests\Support\Bench;
use Tests\Support\Share;

/**
 * Several people with devices of their own work one cable and hear of each other now and then. Whatever they record
 * arrives in whatever order, and what follows from it is the same.
 */
final class BenchArrivalTest extends TestCase
{
    private const ORDERS = 6;

    /** @var array<string, Operation> */
    private static array $operations = [];

    private static ?Fingerprints $plan = null;

    public static function setUpBeforeClass(): void
    {
        $bench = Bench::microphone();
        $plan = $bench->plan();
        self::$operations = Traveller::order(
            (new OperationPlanner($bench->installation))->of($plan->assemblies['A-1'], $plan->runs),
            $bench->installation->rules(),
        )->operations;
        self::$plan = $plan->reliedOn('A-1');
    }

    private static function milestones(): Milestones
    {
        self::assertNotNull(self::$plan);

        return new Milestones(self::$operations, ['A-1' => self::$plan]);
    }

    /** @param  list<string>  $on */
    private static function event(
        Randomizer $random,
        EventKind $kind,
        Operation $operation,
        string $by,
        string $at,
        array $on,
        TakenBack|SentBack|null $says = null,
    ): Event {
        return new Event(
            Uuid::fromBytes($random->getBytes(16))->toString(),
            $kind,
            'A-1',
            $operation->side,
            $by,
            $at,
            $at,
            OperationFacts::fingerprint($operation),
            step: $operation->id,
            says: $says,
            on: $on,
        );
    }

    /** @return list<string> what a page sends: what made the step, those around it, and what is apart about it */
    private static function on(Progress $progress, Operation $operation): array
    {
        $near = [
            $operation->id,
            ...array_map(static fn (Prerequisite $need): string => $need->before, $operation->needs),
        ];
        foreach (self::$operations as $later) {
            foreach ($later->needs as $need) {
                if ($need->before === $operation->id) {
                    $near[] = $later->id;
                }
            }
        }
        $on = array_merge(...array_map(static fn (string $id): array => $progress->of($id)->madeBy(), $near));
        foreach ($progress->conflicts()[$operation->id] ?? [] as $conflict) {
            array_push($on, $conflict->stands->id, $conflict->other->id);
        }

        return array_values(array_unique($on));
    }

    /** @return list<Event> as submitted, in the order in which they were done */
    private static function history(Randomizer $random): array
    {
        $out = [0, $random->getInt(-9000, 9000), $random->getInt(-9000, 9000)];
        $all = [];
        /** @var list<list<Event>> $heard */
        $heard = [[], [], []];
        $length = $random->getInt(10, 60);
        for ($i = 0; $i < $length; $i++) {
            $who = $random->getInt(0, 2);
            if ($random->getInt(0, 99) < 40) {
                $heard[$who] = $all;
            }
            $progress = new Progress(self::$operations, Order::of($heard[$who]));
            $at = gmdate('Y-m-d\TH:i:s', 1_760_000_000 + $i * 600 + $out[$who]).'.000000Z';
            $by = 'device '.$who;
            $done = array_values(
                array_filter(
                    self::$operations,
                    static fn (Operation $each): bool => $progress->of($each->id)->status === Status::Done,
                ),
            );
            $what = $random->getInt(0, 99);
            $open = $progress->open();
            if ($done !== [] && $what < 10) {
                $at_ = $done[$random->getInt(0, count($done) - 1)];
                $event = self::event(
                    $random,
                    EventKind::TakenBack,
                    $at_,
                    $by,
                    $at,
                    self::on($progress, $at_),
                    new TakenBack($at_->task->event()),
                );
            } elseif ($done !== [] && $what < 16) {
                $at_ = $done[$random->getInt(0, count($done) - 1)];
                $again = array_map(static fn (Operation $each): string => $each->id, array_slice($done, -4));
                $on = self::on($progress, $at_);
                $event = self::event($random, EventKind::Reworked, $at_, $by, $at, $on, new SentBack($again));
            } elseif ($open !== []) {
                $at_ = $open[$random->getInt(0, min(2, count($open) - 1))];
                $event = self::event($random, $at_->task->event(), $at_, $by, $at, self::on($progress, $at_));
            } else {
                continue;
            }
            $all[] = $event;
            $heard[$who][] = $event;
        }

        return $all;
    }

    /**
     * @param  list<Event>  $submitted  as they arrive
     * @return list<Event> what is stored then
     */
    private static function stored(array $submitted): array
    {
        $stored = [];
        foreach ($submitted as $event) {
            $now = self::milestones()->with(array_values($stored), $event);
            $stored = array_diff_key($stored, array_flip($now->gone));
            $stored[$event->id] = $event;
            foreach ($now->written as $milestone) {
                $stored[$milestone->id] = $milestone;
            }
        }

        return array_values($stored);
    }

    /**
     * @param  list<Event>  $stored
     * @return array<string, mixed>
     */
    private static function standing(array $stored): array
    {
        $progress = new Progress(self::$operations, Order::of($stored));
        $says = [];
        foreach ($stored as $event) {
            $says[$event->id] = [$event->kind->value, $event->side?->value, $event->on];
        }
        ksort($says);
        $steps = $conflicts = [];
        foreach (array_keys(self::$operations) as $id) {
            $steps[$id] = [$progress->of($id)->status->value, $progress->of($id)->madeBy()];
        }
        foreach ($progress->conflicts() as $step => $of) {
            $conflicts[$step] = array_map(
                static fn (Conflict $each): array => [$each->dispute->value, $each->stands->id, $each->other->id],
                $of,
            );
        }

        return [
            'records' => $says,
            'steps' => $steps,
            'conflicts' => $conflicts,
            'beads' => array_keys($progress->milestones()),
        ];
    }

    public function test_any_order_of_arrival_gives_the_same_standing(): void
    {
        $random = new Randomizer(new Mt19937(20261127));
        $disputes = $late = 0;
        $kinds = [];
        for ($i = 0; $i < Share::many(16, 40); $i++) {
            $submitted = self::history($random);
            $standing = self::standing(self::stored($submitted));
            $disputes += count($standing['conflicts']);
            foreach ($standing['records'] as [$kind, , $on]) {
                $kinds[$kind] = ($kinds[$kind] ?? 0) + 1;
            }
            for ($order = 0; $order < self::ORDERS; $order++) {
                $shuffled = $random->shuffleArray($submitted);
                $late += $shuffled === $submitted ? 0 : 1;
                self::assertSame($standing, self::standing(self::stored($shuffled)), "history $i, order $order");
            }
        }
        // What is compared is not nothing.
        self::assertGreaterThan(Share::many(40, 100), $disputes);
        self::assertGreaterThan(Share::many(80, 200), $late);
        self::assertArrayHasKey(EventKind::Joined->value, $kinds);
    }

    public function test_what_two_did_apart_is_kept_and_settled_by_whoever_knows_of_both(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $cut = array_values(self::$operations)[0];
        $at = static fn (int $minute): string => sprintf('2026-03-09T08:%02d:00.000000Z', $minute);
        $kind = $cut->task->event();
        $one = self::event($random, $kind, $cut, 'one', $at(2), ['00000000-0000-4000-8000-000000000001']);
        $two = self::event($random, $kind, $cut, 'two', $at(1), ['00000000-0000-4000-8000-000000000001']);
        $progress = new Progress(self::$operations, Order::of([$one, $two]));
        self::assertSame([Dispute::Twice], self::disputes($progress, $cut));
        self::assertSame('two', $progress->of($cut->id)->by?->by, 'whoever was first, by the clock');
        $again = self::event($random, $kind, $cut, 'three', $at(5), self::on($progress, $cut));
        $settled = new Progress(self::$operations, Order::of([$again, $one, $two]));
        self::assertSame([], self::disputes($settled, $cut));
        self::assertSame('three', $settled->of($cut->id)->by?->by);
        $back = self::event(
            $random,
            EventKind::TakenBack,
            $cut,
            'three',
            $at(5),
            self::on($progress, $cut),
            new TakenBack($kind),
        );
        $open = new Progress(self::$operations, Order::of([$one, $two, $back]));
        self::assertSame([], self::disputes($open, $cut));
        self::assertSame(Status::ToDo, $open->of($cut->id)->status);

        // Somebody without a network does again what has been sent back meanwhile, and does not know that.
        $apart = self::event($random, $kind, $cut, 'four', $at(30), [$one->id, $two->id]);
        $unaware = new Progress(self::$operations, Order::of([$apart, $one, $two, $back]));
        self::assertSame([Dispute::Unaware], self::disputes($unaware, $cut));
        self::assertSame(Status::ToDo, $unaware->of($cut->id)->status, 'a later clock fills nothing by itself');
    }

    /** @return list<Dispute> */
    private static function disputes(Progress $progress, Operation $of): array
    {
        return array_map(static fn (Conflict $each): Dispute => $each->dispute, $progress->conflicts()[$of->id] ?? []);
    }

    public function test_ids_of_what_follows_are_version_5(): void
    {
        $random = new Randomizer(new Mt19937(3));
        for ($i = 0; $i < 50; $i++) {
            $from = Uuid::fromBytes($random->getBytes(16))->toString();
            $name = bin2hex($random->getBytes($random->getInt(1, 40)));
            self::assertSame(Uuid::uuid5($from, $name)->toString(), DerivedId::of($from, $name));
        }
        $this->expectException(\InvalidArgumentException::class);
        DerivedId::of('not one', '');
    }
}
