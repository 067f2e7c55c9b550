<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\CompositeSleeve;
use Sartal\Core\Given\Schools\ContactsMade;
use Sartal\Core\Given\Schools\MainsEnds;
use Sartal\Core\Given\Schools\School;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\SentBack;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Cautions;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Status;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;
use Tests\Support\Bench;
use Tests\Support\FormerFixtures;

/** What was recorded step by step by recipes, read by whoever makes ends by procedures. */
final class FormerStepsTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function families(): iterable
    {
        foreach (self::benches() as $name => $_) {
            yield $name => [$name];
        }
    }

    private static function bench(string $family): Bench
    {
        foreach (self::benches() as $name => $bench) {
            if ($name === $family) {
                return $bench->fromBefore();
            }
        }
        self::fail('There is no such family.');
    }

    /** @return iterable<string, Bench> one of each family that has a procedure */
    private static function benches(): iterable
    {
        yield 'three cups' => Bench::microphone();
        yield 'star-quad' => self::line('star-quad', 'analogue', 'xlr3-male-cable-balanced');
        yield 'phone plug' => self::line('pair-lapped', 'analogue', 'trs-balanced');
        yield 'category plug' => self::line('cat6-utp', 'network', '8p8c-plug-t568b');
        yield 'screened category plug' => self::line('cat6-futp', 'network', '8p8c-plug-screened-t568b');
        yield 'jack' => self::line('cat6-utp', 'network', '8p8c-jack-t568b');
        yield 'screened jack' => self::line('cat6a-futp', 'network', '8p8c-jack-screened-t568b');
        yield 'two sheaths' => self::line('cat6a-two-sheath', 'network', '8p8c-jack-screened-t568b');
        yield 'five poles' => self::line('data-2pair', 'dmx', 'xlr5-male-dmx');
        yield 'D-sub' => self::line('multicore-8', 'analogue', 'dsub25-male-aes59');
        yield 'screw terminals' => self::line('pair-foil', 'analogue', 'terminal3-balanced');
        yield 'loudspeaker' => self::line('loudspeaker-2', 'loudspeaker', 'speaker4-cable-1');
        yield 'two contacts' => self::line('instrument', 'unbalanced', 'ts-plug-unbalanced');
        yield 'phono' => self::line('pair-lapped', 'unbalanced', 'phono-plug-unbalanced');
        yield 'F' => self::line('coax-75-standard', 'video', 'f-plug-video');
        yield 'N over braid' => self::line('coax-50-standard', 'radio', 'n-plug-radio');
        yield 'block, coaxial' => self::line('coax-75-standard', 'video', 'modular-frame-4-video');
        yield 'BNC' => self::line('coax-75-standard', 'video', 'bnc75-plug-video');
        yield 'spring fingers' => self::line('coax-50-lowloss', 'radio', 'n-plug-radio');
        yield 'rectangular' => Bench::stageBox();
        yield 'pairs screened one by one, plug' => self::line(
            'cat6a-sftp-stranded',
            'network',
            '8p8c-plug-screened-stranded-t568b',
        );
        yield 'pairs screened one by one, jack' => self::line('cat7a-sftp', 'network', '8p8c-jack-screened-t568b');
        yield 'category 7A' => self::line('cat7a-sftp', 'network', 'cat7a-jack-t568b');
        yield 'low profile' => self::line('instrument', 'unbalanced', 'ts-plug-low-unbalanced');
        yield 'low profile, pair' => self::line('pair-lapped', 'unbalanced', 'ts-plug-low-unbalanced');
        yield 'loudspeaker panel' => self::line('loudspeaker-2', 'loudspeaker', 'speaker4-panel-1');
        yield 'rectangular, soldered' => self::house(Bench::stageBox(), ContactsMade::SolderAll);
        yield 'composite' => self::composite();
        yield 'composite, bare' => self::house(self::composite(), MainsEnds::Bare);
        yield 'composite, tinned' => self::house(self::composite(), MainsEnds::Tinned);
        yield 'composite, not sleeved' => self::house(self::composite(), CompositeSleeve::None);
    }

    private static function composite(): Bench
    {
        return Bench::of(Bench::request(
            'A-1',
            'composite',
            ['mains', 'analogue'],
            ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
            ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
        ));
    }

    private static function house(Bench $bench, School $answer): Bench
    {
        return $bench->with(rules: $bench->installation->rules()->with($answer));
    }

    private static function line(string $cable, string $signal, string $plan): Bench
    {
        return Bench::of(Bench::request('A-1', $cable, [$signal], [$plan], [$plan]));
    }

    /** @return array<int|string, Operation> in the order of work */
    private static function operations(Bench $bench): array
    {
        $plan = $bench->plan();
        $operations = [];
        foreach ($plan->assemblies as $assembly) {
            array_push($operations, ...(new OperationPlanner($bench->installation))->of($assembly, $plan->runs));
        }

        return Traveller::order($operations, $bench->installation->rules())->operations;
    }

    /**
     * @param  array<string, mixed>  $step
     * @param  array<string, mixed>  $more
     */
    private static function event(
        EventKind $kind,
        array $step,
        string $print,
        string $name,
        int $n,
        array $more = [],
    ): Event {
        $at = sprintf('2026-02-03T%02d:%02d:%02d.000000Z', intdiv($n, 3600), intdiv($n, 60) % 60, $n % 60);

        return new Event(...$more + [
            'id' => sprintf('00000000-0000-4000-8000-%012d', $n),
            'kind' => $kind,
            'run' => $step['run'],
            'side' => $step['side'] === null ? null : Side::from($step['side']),
            'by' => 'ines',
            'at' => $at,
            'received' => $at,
            'fingerprint' => $print,
            'step' => $name,
        ]);
    }

    /**
     * @param  int  $edition  1, 2 or 3
     * @return list<Event> of a family's work as recipes had it, in that order
     */
    private static function recorded(string $family, int $edition): array
    {
        $events = [];
        foreach (FormerFixtures::steps($family) as $n => $step) {
            if ($step['task'] !== Task::Test->value) {
                $events[] = self::event(
                    Task::from($step['task'])->event(),
                    $step,
                    $step['prints'][$edition - 1],
                    $edition === 1 && $step['first'] !== '' ? $step['first'] : $step['id'],
                    $n + 1,
                );
            }
        }

        return $events;
    }

    #[DataProvider('families')]
    public function test_an_end_that_recipes_made_is_made_and_nothing_of_it_is_overtaken(string $family): void
    {
        $now = self::operations(self::bench($family));
        $kinds = array_map(static fn (Operation $operation): string => $operation->step->kind->value, $now);
        self::assertContains(StepKind::Make->value, $kinds, 'it is made by a procedure');
        foreach ([1, 2] as $edition) {
            $progress = new Progress($now, self::recorded($family, $edition));
            foreach ($now as $operation) {
                if ($operation->task !== Task::Test) {
                    self::assertSame(
                        Status::Done,
                        $progress->of($operation->id)->status,
                        $operation->id.' by edition '.$edition,
                    );
                }
            }
        }
    }

    /** Ends that no procedure made right were made by recipes in the third edition still. */
    #[DataProvider('families')]
    public function test_what_the_third_edition_did_by_recipes_is_not_overtaken(string $family): void
    {
        $now = self::operations(self::bench($family));
        $progress = new Progress($now, self::recorded($family, 3));
        $done = 0;
        foreach ($now as $operation) {
            $status = $progress->of($operation->id)->status;
            // What a cut is longer by since is what its end uses up.
            $isOfTheEnd = $operation->fitting !== '';
            self::assertFalse($isOfTheEnd && $status === Status::Overtaken, $operation->id);
            $done += $status === Status::Done ? 1 : 0;
        }
        self::assertGreaterThan(count($now) / 3, $done);
    }

    /** However far somebody had come: it is gone on with, and nothing that was cut or joined is asked for again. */
    #[DataProvider('families')]
    public function test_an_end_that_was_begun_is_gone_on_with(string $family): void
    {
        $now = self::operations(self::bench($family));
        $events = self::recorded($family, 2);
        $progress = new Progress($now, []);
        $settled = 0;
        $left = self::left($now, $progress);
        foreach ($events as $event) {
            $progress = $progress->after($event);
            foreach ($now as $operation) {
                self::assertNotSame(Status::Overtaken, $progress->of($operation->id)->status, $operation->id);
            }
            self::assertGreaterThanOrEqual($settled, $progress->settled(), $event->step.' undid something');
            $settled = $progress->settled();
            if (isset($now[$event->step])) {
                self::assertSame(Status::Done, $progress->of($event->step)->status);
            }
            // What is left can be done one after the other: nothing waits for what is never asked for.
            self::assertLessThanOrEqual($left, self::left($now, $progress));
            $left = self::left($now, $progress);
            self::assertNotSame([], $progress->open());
        }
    }

    /** @param  array<int|string, Operation>  $operations */
    private static function left(array $operations, Progress $progress): int
    {
        return count(array_filter(
            $operations,
            static fn (Operation $operation): bool => ! $progress->of($operation->id)->status->isSettled(),
        ));
    }

    /** @return array<string, mixed> */
    private static function firstOf(string $family, StepKind $kind): array
    {
        foreach (FormerFixtures::steps($family) as $step) {
            if ($step['kind'] === $kind->value) {
                return $step;
            }
        }
        self::fail('There was no '.$kind->value.'.');
    }

    /** It was done by facts, and is judged by them: another length is another end. */
    public function test_what_was_bared_by_another_length_is_overtaken(): void
    {
        $now = self::operations(self::bench('three cups'));
        $bare = self::firstOf('three cups', StepKind::Bare);
        // As the second edition wrote down a sheath that was bared by 77 mm.
        $other = '2.'.substr(hash('xxh128', serialize(['strip', 77_000_000, '', '', [], [], []])), 0, 16);
        $progress = new Progress($now, [self::event(EventKind::Prepared, $bare, $other, $bare['id'], 1)]);
        $taken = array_filter(
            $now,
            static fn (Operation $each): bool => $progress->of($each->id)->status === Status::Overtaken,
        );
        self::assertNotSame([], $taken);
        foreach ($taken as $operation) {
            self::assertSame(Task::Strip, $operation->task);
        }
        $same = new Progress($now, [self::event(EventKind::Prepared, $bare, $bare['prints'][1], $bare['id'], 1)]);
        foreach (array_keys($taken) as $id) {
            self::assertSame(Status::Done, $same->of((string) $id)->status);
        }
    }

    /** Whatever a connector warns of is said at every joint in it, as it was. */
    #[DataProvider('families')]
    public function test_no_caution_of_a_connector_is_lost(string $family): void
    {
        $bench = self::bench($family);
        $now = self::operations($bench);
        $looked = 0;
        foreach (FormerFixtures::steps($family) as $before) {
            $id = $before['id'];
            $type = $bench->installation->fittings()[$before['fitting']]->connector ?? '';
            $warns = $bench->installation->catalogue->connectors()[$type]->cautions ?? [];
            if ($before['task'] !== Task::Join->value || ! isset($now[$id])) {
                continue;
            }
            foreach (array_intersect($before['cautions'], [...$warns, Cautions::MAINS]) as $caution) {
                self::assertContains($caution, $now[$id]->cautions, $id);
            }
            self::assertTrue(! $before['hot'] || str_contains(implode(' ', $now[$id]->cautions), 'fumes'), $id);
            $looked++;
        }
        self::assertGreaterThan(1, $looked);
    }

    /** Rework that was ordered goes back to all that stands for what it names. */
    public function test_rework_of_before_reopens_what_stands_for_it_now(): void
    {
        $now = self::operations(self::bench('three cups'));
        $events = self::recorded('three cups', 2);
        $dress = self::firstOf('three cups', StepKind::Dress);
        self::reopens($now, $events, $dress, $dress['id'], Task::Dress, 3);
        // The first edition called a mark by its place in a list.
        $bare = self::firstOf('three cups', StepKind::Bare);
        self::assertNotSame($bare['id'], $bare['first']);
        self::reopens($now, self::recorded('three cups', 1), $bare, $bare['first'], Task::Strip, 1);
    }

    /**
     * @param  array<int|string, Operation>  $now
     * @param  list<Event>  $events
     * @param  array<string, mixed>  $step  that is sent back
     */
    private static function reopens(
        array $now,
        array $events,
        array $step,
        string $name,
        Task $task,
        int $least,
    ): void {
        $back = self::event(EventKind::Reworked, $step, '', $name, 900, ['says' => new SentBack([$name])]);
        $progress = new Progress($now, [...$events, $back]);
        $open = $progress->reopened($back);
        self::assertGreaterThanOrEqual($least, count($open));
        foreach ($open as $id) {
            self::assertSame(Status::ToDo, $progress->of($id)->status);
        }
        self::assertContains($task, array_map(static fn (string $id): Task => $now[$id]->task, $open));
    }

    /** Whoever never had a recipe has no step of before, and none is looked for. */
    public function test_a_new_installation_knows_of_none(): void
    {
        foreach (self::operations(Bench::microphone()) as $operation) {
            self::assertSame([], $operation->formers);
        }
    }
}
