<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationPlanner;
use Tests\Support\Bench;

/** The second half of a cable at the bench: the finished one is the pattern, and what is finished is coiled. */
final class SecondHalfTest extends TestCase
{
    private const FEMALE = 'xlr3-female-cable-balanced';

    /** @return list<Operation> */
    private static function of(Bench $bench, StepKind $kind, Side $side): array
    {
        $plan = $bench->plan();
        $operations = (new OperationPlanner($bench->installation))->of(
            $plan->assemblies[array_key_first($plan->assemblies)],
            $plan->runs,
        );

        return array_values(array_filter(
            $operations,
            static fn (Operation $each): bool => $each->step->kind === $kind && $each->side === $side,
        ));
    }

    public function test_it_is_plugged_into_the_finished_half_before_it_is_closed_and_tightened_with_it(): void
    {
        $bench = Bench::microphone();
        [$first, $second] = [
            self::of($bench, StepKind::Inspect, Side::A)[0],
            self::of($bench, StepKind::Inspect, Side::B)[0],
        ];
        self::assertStringNotContainsString('half that is finished', $first->check);
        self::assertStringContainsString('plugged into the half that is finished', strtolower($second->check));
        [$closeA, $closeB] = [self::of($bench, StepKind::Close, Side::A)[0], self::of($bench, StepKind::Close, Side::B)[0]];
        $waits = array_map(static fn ($need): string => $need->before, $second->needs);
        self::assertContains($closeA->id, $waits);
        self::assertNotContains($closeA->id, array_map(static fn ($need): string => $need->before, $first->needs));
        self::assertStringNotContainsString('Plug both halves together', $closeA->detail);
        self::assertStringContainsString('Plug both halves together and tighten the nut', $closeB->detail);
        self::assertStringNotContainsString('Coil', $closeA->detail);
        self::assertStringContainsString('Coil the cable', $closeB->detail);
        self::assertContains('mirrored', array_column($second->defects, 'name'));
        self::assertNotContains('mirrored', array_column($first->defects, 'name'));
    }

    public function test_what_is_made_in_place_or_does_not_meet_its_other_half_is_not_plugged_into_it(): void
    {
        $bench = Bench::microphone();
        $run = $bench->installation->theRun('A-1');
        $site = $bench->withRun(new Run(...['build' => Build::Site] + get_object_vars($run)));
        $equal = Bench::of(Bench::request('A-1', 'pair-foil', ['analogue'], [self::FEMALE], [self::FEMALE]));
        foreach ([[$site, false], [$equal, true]] as [$other, $isCoiled]) {
            $look = self::of($other, StepKind::Inspect, Side::B)[0];
            $close = self::of($other, StepKind::Close, Side::B)[0];
            self::assertStringNotContainsString('half', $look->check);
            self::assertStringNotContainsString('halves', $close->detail);
            self::assertSame($isCoiled, str_contains($close->detail, 'Coil the cable'));
        }
    }
}
