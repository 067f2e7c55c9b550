<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Resistance;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Measure\Gauge;
use Sartal\Core\Proof\Diagnosing\FaultKind;
use Sartal\Core\Proof\Diagnosing\Unseen;
use Tests\Support\Bench;

/** What a check cannot see: by hand for the usual cables. */
final class CoverageTest extends TestCase
{
    /**
     * @param  list<Method>  $methods
     * @return array<string, list<string>> kind → the cheapest methods that would show them
     */
    private static function unseen(Bench $bench, array $methods): array
    {
        $plan = $bench->plan();
        $coverage = $bench
            ->assemblies($plan)
            ->coverage($plan->assemblies[array_key_first($plan->assemblies)], $methods);
        $unseen = [];
        foreach ($coverage->unseen as $each) {
            $unseen[$each->kind->value][] = $each->add->value ?? 'none';
        }
        ksort($unseen);

        return array_map(static function (array $added): array {
            sort($added);

            return $added;
        }, $unseen);
    }

    public function test_a_plain_map_on_a_three_pole_cable(): void
    {
        $beyond = ['leak' => ['insulation'], 'loose' => ['wiggle'], 'mirrored' => ['eyes-a', 'noise']];
        self::assertSame([...$beyond, 'shell-bond' => ['shells']], self::unseen(Bench::microphone(), [Method::Map]));
        self::assertSame(
            $beyond,
            self::unseen(Bench::microphone(), [Method::Map, Method::Shells]),
            'hot and cold exchanged at both ends show to the eye alone; the screen exchanged with either hums',
        );
        self::assertSame(
            [],
            self::unseen(Bench::microphone(), [
                Method::Map,
                Method::Shells,
                Method::Insulation,
                Method::Wiggle,
                Method::EyesB,
            ]),
            'eyes at one end see what was done alike at both',
        );
    }

    /** Straight through pin by pin, but not by twist: ANSI/TIA-568 calls it a split pair. */
    public function test_a_split_pair_on_t568b_passes_continuity_and_not_the_pair_test(): void
    {
        self::assertSame(['pairs'], self::unseen(Bench::category(), [Method::Map])['split']);
        self::assertArrayNotHasKey('split', self::unseen(Bench::category(), [Method::Map, Method::Pairs]));
        self::assertSame(['eyes-a'], self::unseen(Bench::category(), [Method::Map, Method::Pairs])['mirrored']);
    }

    /** A lamp lights through the other core; the loop has twice the ohms of that leg. */
    public function test_one_open_core_of_a_star_quad_is_seen_by_ohms_alone(): void
    {
        $quad = Bench::of(
            Bench::request(
                'A-1',
                'star-quad',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        );
        self::assertContains(
            'ohms',
            self::unseen($quad, [Method::Map, Method::Shells])['open'],
            'a core broken along the way can be seen by nobody',
        );
        self::assertArrayNotHasKey('open', self::unseen($quad, [Method::Map, Method::Shells, Method::Ohms]));
        self::assertArrayNotHasKey(
            'open',
            self::unseen(Bench::microphone(), [Method::Map]),
            'a pair has no second core to light through',
        );
    }

    public function test_more_checks_never_see_less(): void
    {
        foreach ([Bench::microphone(), Bench::category(), Bench::coax()] as $bench) {
            $plan = $bench->plan();
            $last = -1;
            $methods = [];
            foreach (Method::cases() as $check) {
                $methods[] = $check;
                $coverage = $bench
                    ->assemblies($plan)
                    ->coverage($plan->assemblies[array_key_first($plan->assemblies)], $methods);
                self::assertGreaterThanOrEqual($last, $coverage->seen());
                $last = $coverage->seen();
            }
            self::assertSame(
                [],
                array_filter(
                    $coverage->unseen ?? [],
                    static fn (Unseen $unseen): bool => $unseen->kind !== FaultKind::Mirrored,
                ),
                'all of them together see everything but cores of one colour',
            );
        }
    }

    /**
     * Circuit theory: two equal resistors side by side are half of one; a Wheatstone bridge in balance carries nothing
     * across.
     */
    public function test_resistance_by_hand(): void
    {
        $edge = static fn (string $id, string $from, string $to, float $ohms): Edge => new Edge(
            $id,
            EdgeKind::Conductor,
            $from,
            $to,
            $ohms,
        );
        self::assertEqualsWithDelta(
            5.0,
            Resistance::between(Wiring::from([$edge('1', 'a', 'b', 10), $edge('2', 'a', 'b', 10)]), 'a', 'b'),
            1e-9,
        );
        self::assertEqualsWithDelta(
            30.0,
            Resistance::between(Wiring::from([$edge('1', 'a', 'b', 10), $edge('2', 'b', 'c', 20)]), 'a', 'c'),
            1e-9,
        );
        $bridge = Wiring::from([
            $edge('1', 'a', 'b', 10),
            $edge('2', 'a', 'c', 20),
            $edge('3', 'b', 'd', 10),
            $edge('4', 'c', 'd', 20),
            $edge('5', 'b', 'c', 7),
        ]);
        self::assertEqualsWithDelta((20 * 40) / 60, Resistance::between($bridge, 'a', 'd'), 1e-9);
        self::assertSame(
            INF,
            Resistance::between(Wiring::from([$edge('1', 'a', 'b', 10), $edge('2', 'c', 'd', 10)]), 'a', 'c'),
        );
    }

    /** ASTM B258 and IEC 60028: a loop of 12.4 m of a wire is twice its length by its ohms per metre. */
    public function test_a_core_reads_its_length_by_its_gauge(): void
    {
        $bench = Bench::category();
        $expectation = $bench->expectation();
        $from = (string) array_key_first($expectation->setup->from);
        $to = $expectation->reading->lights[$from][0];
        self::assertEqualsWithDelta(
            12.4 * Gauge::awg(23)->ohmsPerMetre(),
            Resistance::between($expectation->wiring, $from, $to),
            0.01,
        );
    }
}
