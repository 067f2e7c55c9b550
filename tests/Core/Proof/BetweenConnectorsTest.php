<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Proof\Diagnosing\Cause;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Diagnosing\FaultPlaces;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\MapMethod;
use Tests\Support\Bench;

/**
 * Faults between the connectors of one end. They are made by moving joints of the wiring at random, not by what the
 * diagnosis looks for.
 */
final class BetweenConnectorsTest extends TestCase
{
    private static Bench $bench;

    private static Expectation $expectation;

    private static FaultPlaces $places;

    /** @var array<string, array<string, Edge>> fitting → joints by address */
    private static array $tails = [];

    public static function setUpBeforeClass(): void
    {
        self::$bench = Bench::stageBox();
        self::$expectation = self::$bench->expectation();
        $plan = self::$bench->plan();
        $assemblies = self::$bench->assemblies($plan);
        self::$places = $assemblies->places($plan->assemblies[array_key_first($plan->assemblies)]);
        foreach (self::$expectation->wiring->edges as $edge) {
            if ($edge->kind === EdgeKind::Joint && str_starts_with($edge->to, 't:M-1.a')) {
                [$fitting, $address] = explode('/', $edge->to);
                self::$tails[$fitting][$address] = $edge;
            }
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::$tails = [];
    }

    /**
     * Moves joints, reads the cable, and has what is listed read again.
     *
     * @param  array<string, Edge>  $moved  by joint
     * @return ?list<Cause> null where nothing shows
     */
    private static function causes(array $moved): ?array
    {
        $wiring = self::$expectation->wiring->edited(new WiringEdit($moved));
        $reading = MapMethod::read($wiring, self::$expectation->setup);
        if ($reading->lights === self::$expectation->reading->lights) {
            return null;
        }
        $troubles = Diagnostician::for(self::$places, self::$expectation, $reading)->troubles;
        self::assertCount(1, $troubles, implode(', ', array_keys($moved)).' is one trouble');
        foreach ($troubles[0]->causes as $cause) {
            $again = self::$expectation->wiring;
            foreach ($cause->faults as $fault) {
                $again = $again->edited($fault->edit);
            }
            self::assertSame($reading->lights, MapMethod::read($again, self::$expectation->setup)->lights);
        }

        return $troubles[0]->causes;
    }

    /**
     * Whether the very edit is among the first of what is listed.
     *
     * @param  array<string, Edge>  $moved
     * @param  list<Cause>  $causes
     */
    private static function isListed(array $moved, array $causes, int $first = PHP_INT_MAX): bool
    {
        foreach (array_slice($causes, 0, $first) as $cause) {
            $to = [];
            foreach ($cause->faults[0]->edit->edges as $id => $edge) {
                $to[$id] = $edge?->to;
            }
            $is = array_map(static fn (Edge $edge): string => $edge->to, $moved);
            ksort($to);
            ksort($is);
            if (count($cause->faults) === 1 && $to === $is) {
                return true;
            }
        }

        return false;
    }

    /** @return array{string, string} */
    private static function two(Randomizer $random): array
    {
        $fittings = array_keys(self::$tails);
        $keys = $random->pickArrayKeys($fittings, 2);

        return [$fittings[$keys[0]], $fittings[$keys[1]]];
    }

    public function test_cores_exchanged_across_connectors_and_cores_in_the_neighbour_are_named(): void
    {
        $random = new Randomizer(new Mt19937(6));
        $seen = 0;
        for ($n = 0; $n < 800; $n++) {
            [$one, $other] = self::two($random);
            $joint = self::$tails[$one][(string) $random->getInt(1, 3)];
            $with = self::$tails[$other][(string) $random->getInt(1, 3)];
            $moved = [$joint->id => $joint->movedTo($with->to)];
            $moved += $n % 2 === 0 ? [$with->id => $with->movedTo($joint->to)] : [];
            $causes = self::causes($moved);
            if ($causes !== null) {
                self::assertTrue(self::isListed($moved, $causes), implode(', ', array_keys($moved)));
                $seen++;
            }
        }
        self::assertGreaterThan(700, $seen);
    }

    public function test_two_whole_connectors_exchanged_are_one_cause_and_the_likeliest_of_one_end(): void
    {
        $random = new Randomizer(new Mt19937(7));
        for ($n = 0; $n < 200; $n++) {
            [$one, $other] = self::two($random);
            $moved = [];
            foreach ([[$one, $other], [$other, $one]] as [$from, $to]) {
                foreach (self::$tails[$from] as $address => $joint) {
                    $moved[$joint->id] = $joint->movedTo($to.'/'.$address);
                }
            }
            $causes = self::causes($moved);
            self::assertNotNull($causes);
            self::assertTrue(self::isListed($moved, $causes, 3), $one.' and '.$other);
        }
    }

    public function test_they_are_said_with_both_connectors_and_the_end(): void
    {
        $hot = self::$bench->swap('M-1.a1/2', 'M-1.a2/2');
        $said = implode("\n", self::$bench->causes(self::$bench->readingWith($hot))[0]);
        self::assertMatchesRegularExpression(
            '/M-1 A.*1 contact 2 \(hot\) and M-1 A.*2 contact 2 \(hot\) are swapped at end A/i',
            $said,
        );
        $all = array_map(
            static fn (int $contact): WiringEdit => self::$bench->swap('M-1.a1/'.$contact, 'M-1.a2/'.$contact),
            [1, 2, 3],
        );
        $exchanged = implode("\n", self::$bench->causes(self::$bench->readingWith(...$all))[0]);
        self::assertStringContainsString('are exchanged at end A, or their labels are', $exchanged);
    }
}
