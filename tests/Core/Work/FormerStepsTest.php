<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Measure\Length;
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

/** What was recorded step by step by recipes, read by whoever makes ends by procedures. */
final class FormerStepsTest extends TestCase
{
    /** @return iterable<string, array{Bench}> one of each family that has a procedure */
    public static function families(): iterable
    {
        yield 'three cups' => [Bench::microphone()];
        yield 'star-quad' => [self::line('star-quad', 'analogue', 'xlr3-male-cable-balanced')];
        yield 'phone plug' => [self::line('pair-lapped', 'analogue', 'trs-balanced')];
        yield 'category plug' => [self::line('cat6-utp', 'network', '8p8c-plug-t568b')];
        yield 'screened category plug' => [self::line('cat6-futp', 'network', '8p8c-plug-screened-t568b')];
        yield 'jack' => [self::line('cat6-utp', 'network', '8p8c-jack-t568b')];
        yield 'screened jack' => [self::line('cat6a-futp', 'network', '8p8c-jack-screened-t568b')];
        yield 'two sheaths' => [self::line('cat6a-two-sheath', 'network', '8p8c-jack-screened-t568b')];
        yield 'five poles' => [self::line('data-2pair', 'dmx', 'xlr5-male-dmx')];
        yield 'D-sub' => [self::line('multicore-8', 'analogue', 'dsub25-male-aes59')];
        yield 'screw terminals' => [self::line('pair-foil', 'analogue', 'terminal3-balanced')];
        yield 'loudspeaker' => [self::line('loudspeaker-2', 'loudspeaker', 'speaker4-cable-1')];
        yield 'two contacts' => [self::line('instrument', 'unbalanced', 'ts-plug-unbalanced')];
        yield 'phono' => [self::line('pair-lapped', 'unbalanced', 'phono-plug-unbalanced')];
        yield 'F' => [self::line('coax-75-standard', 'video', 'f-plug-video')];
        yield 'N over braid' => [self::line('coax-50-standard', 'radio', 'n-plug-radio')];
        yield 'block, coaxial' => [self::line('coax-75-standard', 'video', 'modular-frame-4-video')];
        yield 'BNC' => [self::line('coax-75-standard', 'video', 'bnc75-plug-video')];
        yield 'spring fingers' => [self::line('coax-50-lowloss', 'radio', 'n-plug-radio')];
        yield 'rectangular' => [Bench::stageBox()];
        yield 'pairs screened one by one, plug' => [
            self::line('cat6a-sftp-stranded', 'network', '8p8c-plug-screened-stranded-t568b'),
        ];
        yield 'pairs screened one by one, jack' => [self::line('cat7a-sftp', 'network', '8p8c-jack-screened-t568b')];
        yield 'category 7A' => [self::line('cat7a-sftp', 'network', 'cat7a-jack-t568b')];
        yield 'low profile' => [self::line('instrument', 'unbalanced', 'ts-plug-low-unbalanced')];
        yield 'low profile, pair' => [self::line('pair-lapped', 'unbalanced', 'ts-plug-low-unbalanced')];
        yield 'loudspeaker panel' => [self::line('loudspeaker-2', 'loudspeaker', 'speaker4-panel-1')];
        yield 'rectangular, soldered' => [self::house(Bench::stageBox(), ContactsMade::SolderAll)];
        yield 'composite' => [self::composite()];
        yield 'composite, bare' => [self::house(self::composite(), MainsEnds::Bare)];
        yield 'composite, tinned' => [self::house(self::composite(), MainsEnds::Tinned)];
        yield 'composite, not sleeved' => [self::house(self::composite(), CompositeSleeve::None)];
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

    /** As the second edition wrote it down; kept here as it was, apart from the code that reads it. */
    private static function second(Operation $operation): string
    {
        $cores = $lengths = [];
        foreach ($operation->cores as $core) {
            $cores[] = [$core->run, $core->conductor, $core->to];
        }
        foreach ($operation->lengths as $cut) {
            $of = $cut->of;
            sort($of, SORT_STRING);
            $lengths[] = [$cut->length->nanometres, $cut->most?->nanometres, $of];
        }
        sort($cores);
        sort($lengths);

        return '2.'.substr(hash('xxh128', serialize([
            $operation->task->value,
            $operation->at?->nanometres,
            $operation->part,
            $operation->address,
            $cores,
            $lengths,
            $operation->facts,
        ])), 0, 16);
    }

    private static function first(Operation $operation): string
    {
        return substr(hash('xxh128', serialize([
            $operation->task->value,
            $operation->words,
            $operation->detail,
            $operation->at?->nanometres,
            $operation->part,
            $operation->address,
            array_map(static fn ($core): array => [$core->run, $core->conductor, $core->colour], $operation->cores),
            array_map(static fn ($cut): array => [$cut->length->nanometres, $cut->for], $operation->lengths),
        ])), 0, 16);
    }

    /** @param  array<string, mixed>  $more */
    private static function event(
        EventKind $kind,
        Operation $operation,
        string $print,
        string $step,
        int $n,
        array $more = [],
    ): Event {
        $at = sprintf('2026-02-03T%02d:%02d:%02d.000000Z', intdiv($n, 3600), intdiv($n, 60) % 60, $n % 60);

        return new Event(...$more + [
            'id' => sprintf('00000000-0000-4000-8000-%012d', $n),
            'kind' => $kind,
            'run' => $operation->run,
            'side' => $operation->side,
            'by' => 'ines',
            'at' => $at,
            'received' => $at,
            'fingerprint' => $print,
            'step' => $step,
        ]);
    }

    /**
     * @param  array<int|string, Operation>  $before  by recipes, in the order of work
     * @return list<Event>
     */
    private static function recorded(array $before, bool $asFirst): array
    {
        $events = [];
        foreach (array_values($before) as $n => $operation) {
            if ($operation->task !== Task::Test) {
                $events[] = self::event(
                    $operation->task->event(),
                    $operation,
                    $asFirst ? self::first($operation) : self::second($operation),
                    $asFirst && $operation->step->first !== '' ? $operation->step->first : $operation->id,
                    $n + 1,
                );
            }
        }

        return $events;
    }

    #[DataProvider('families')]
    public function test_an_end_that_recipes_made_is_made_and_nothing_of_it_is_overtaken(Bench $bench): void
    {
        $now = self::operations($bench);
        $kinds = array_map(static fn (Operation $operation): string => $operation->step->kind->value, $now);
        self::assertContains(StepKind::Make->value, $kinds, 'it is made by a procedure');
        foreach ([false, true] as $asFirst) {
            $events = self::recorded(self::operations($bench->byRecipes()), $asFirst);
            $progress = new Progress($now, $events);
            foreach ($now as $operation) {
                if ($operation->task !== Task::Test) {
                    self::assertSame(Status::Done, $progress->of($operation->id)->status, $operation->id);
                }
            }
        }
    }

    /** However far somebody had come: it is gone on with, and nothing that was cut or joined is asked for again. */
    #[DataProvider('families')]
    public function test_an_end_that_was_begun_is_gone_on_with(Bench $bench): void
    {
        $now = self::operations($bench);
        $events = self::recorded(self::operations($bench->byRecipes()), false);
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

    /** @param  array<int|string, Operation>  $operations */
    private static function firstOf(array $operations, StepKind $kind): Operation
    {
        foreach ($operations as $operation) {
            if ($operation->step->kind === $kind) {
                return $operation;
            }
        }
        self::fail('There is no '.$kind->value.'.');
    }

    /** It was done by facts, and is judged by them: another length is another end. */
    public function test_what_was_bared_by_another_length_is_overtaken(): void
    {
        $bench = Bench::microphone();
        $now = self::operations($bench);
        $before = self::operations($bench->byRecipes());
        $bare = self::firstOf($before, StepKind::Bare);
        $all = get_object_vars($bare);
        unset($all['id']);
        $other = new Operation(...['at' => Length::millimetres(77)] + $all);
        $event = self::event(EventKind::Prepared, $bare, self::second($other), $bare->id, 1);
        $progress = new Progress($now, [$event]);
        $taken = array_filter(
            $now,
            static fn (Operation $each): bool => $progress->of($each->id)->status === Status::Overtaken,
        );
        self::assertNotSame([], $taken);
        foreach ($taken as $operation) {
            self::assertSame(Task::Strip, $operation->task);
        }
    }

    /** Whatever a connector warns of is said at every joint in it, as it was. */
    #[DataProvider('families')]
    public function test_no_caution_of_a_connector_is_lost(Bench $bench): void
    {
        $now = self::operations($bench);
        $looked = 0;
        foreach (self::operations($bench->byRecipes()) as $id => $before) {
            $type = $bench->installation->fittings()[$before->fitting]->connector ?? '';
            $warns = $bench->installation->catalogue->connectors()[$type]->cautions ?? [];
            if ($before->task !== Task::Join || ! isset($now[$id])) {
                continue;
            }
            foreach (array_intersect($before->cautions, [...$warns, Cautions::MAINS]) as $caution) {
                self::assertContains($caution, $now[$id]->cautions, $id);
            }
            $isHot = $before->joining?->isHot() === true;
            self::assertTrue(! $isHot || str_contains(implode(' ', $now[$id]->cautions), 'fumes'), $id);
            $looked++;
        }
        self::assertGreaterThan(1, $looked);
    }

    /** A panel is fixed with what its connector brings, and by the same tool. */
    public function test_a_panel_is_fixed_with_its_hardware(): void
    {
        $bench = self::line('pair-foil', 'analogue', 'xlr3-male-panel-balanced');
        $before = self::operations($bench->byRecipes());
        $closed = 0;
        foreach (self::operations($bench) as $id => $operation) {
            if ($operation->step->kind === StepKind::Close) {
                self::assertStringContainsString($before[$id]->detail, $operation->detail);
                self::assertSame($before[$id]->tool, $operation->tool);
                self::assertNotSame('', $operation->tool);
                $closed++;
            }
        }
        self::assertSame(2, $closed);
    }

    /** Rework that was ordered goes back to all that stands for what it names. */
    public function test_rework_of_before_reopens_what_stands_for_it_now(): void
    {
        $bench = Bench::microphone();
        $now = self::operations($bench);
        $before = self::operations($bench->byRecipes());
        $events = self::recorded($before, false);
        $dress = self::firstOf($before, StepKind::Dress);
        $back = self::event(EventKind::Reworked, $dress, '', $dress->id, 900, ['says' => new SentBack([$dress->id])]);
        $progress = new Progress($now, [...$events, $back]);
        $open = $progress->reopened($back);
        self::assertGreaterThan(2, count($open));
        foreach ($open as $id) {
            self::assertSame(Task::Dress, $now[$id]->task, $id);
            self::assertSame(Status::ToDo, $progress->of($id)->status);
        }
    }
}
