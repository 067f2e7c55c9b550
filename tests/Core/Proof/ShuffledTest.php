<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Proof\Diagnosing\Diagnosis;
use Sartal\Core\Proof\Diagnosing\Diagnostician;
use Sartal\Core\Proof\Diagnosing\NextReading;
use Sartal\Core\Proof\Testing\MapMethod;
use Sartal\Core\Proof\Testing\Reading;
use Tests\Support\Bench;
use Tests\Support\Mishaps;

/** Cables in which nearly nothing is where it belongs. */
final class ShuffledTest extends TestCase
{
    private const READINGS = 20;

    /** Readings of the same cable that a diagnosis may take. */
    private const AT_MOST = 8_000;

    /** s of processor, whatever runs beside. */
    private static function spent(): float
    {
        $usage = (array) getrusage();

        return $usage['ru_utime.tv_sec'] + $usage['ru_utime.tv_usec'] / 1e6;
    }

    /**
     * @param  list<Edge>  $more
     * @return array{Diagnosis, Reading}
     */
    private static function shuffled(Mishaps $of, Randomizer $dice, int $cores, array $more = []): array
    {
        $joints = array_values(
            array_filter(
                $of->expectation->wiring->edges,
                static fn (Edge $edge): bool => $edge->kind === EdgeKind::Joint &&
                    str_starts_with($edge->to, 't:M-1.b'),
            ),
        );
        $some = array_slice($dice->shuffleArray($joints), 0, $cores);
        $places = $dice->shuffleArray(array_map(static fn (Edge $joint): string => $joint->to, $some));
        $edges = [];
        foreach ($some as $i => $joint) {
            $edges[$joint->id] = $joint->movedTo($places[$i]);
        }
        foreach ($more as $edge) {
            $edges[$edge->id] = $edge;
        }
        $reading = MapMethod::read(
            $of->expectation->wiring->edited(new WiringEdit($edges)),
            $of->expectation->setup,
        );

        return [Diagnostician::for($of->places, $of->expectation, $reading), $reading];
    }

    #[Group('long')]
    public function test_as_many_cores_as_anybody_shuffles_are_told_where_they_are(): void
    {
        $of = new Mishaps(
            Bench::of(
                Bench::request(
                    'M-1',
                    'multicore-8',
                    ['analogue'],
                    ['xlr3-female-cable-balanced'],
                    ['dsub25-male-aes59'],
                ),
            ),
            1,
        );
        $dice = new Randomizer(new Mt19937(81));
        for ($n = 0; $n < (int) (getenv('SARTAL_SHUFFLES') ?: 1000); $n++) {
            [$diagnosis, $reading] = self::shuffled($of, $dice, $dice->getInt(16, 24));
            $wiring = $of->expectation->wiring;
            foreach ($diagnosis->troubles as $trouble) {
                self::assertNotSame([], $trouble->causes, 'shuffle '.$n);
                foreach ($trouble->causes[0]->faults as $fault) {
                    $wiring = $wiring->edited($fault->edit);
                }
            }
            // The first of each trouble together read as the cable does.
            self::assertSame($reading->lights, MapMethod::read($wiring, $of->expectation->setup)->lights);
        }
    }

    public function test_seventy_two_cores_and_two_bridges_answer_in_seconds_with_what_explains_most(): void
    {
        $of = new Mishaps(Bench::stageBox(), 1);
        foreach ([1, 2, 3] as $seed) {
            $stray = static fn (string $one, string $other): Edge => new Edge(
                $one.$other,
                EdgeKind::Stray,
                't:M-1.b1/'.$one,
                't:M-1.b1/'.$other,
            );
            foreach ([[], [$stray('A1', 'B3'), $stray('C2', 'A7')]] as $more) {
                $began = self::spent();
                [$diagnosis, $reading] = self::shuffled($of, new Randomizer(new Mt19937($seed)), 72, $more);
                $took = self::spent() - $began;
                // In readings of the same cable, which every machine takes as much slower as this.
                $began = self::spent();
                for ($n = 0; $n < self::READINGS; $n++) {
                    MapMethod::read($of->expectation->wiring, $of->expectation->setup);
                }
                self::assertLessThan(self::AT_MOST, $took * self::READINGS / (self::spent() - $began), 'seed '.$seed);
                foreach ($diagnosis->troubles as $trouble) {
                    $isTold = $trouble->causes !== [] ||
                        ($trouble->partly !== null && $trouble->partly->explained > 0.8 * $trouble->partly->wrong);
                    self::assertTrue($isTold, 'seed '.$seed);
                }
            }
        }
    }

    /** IEC 61557-2: an insulation meter's range begins at some tens of kilohms; below it shows 0 MΩ, whatever it is. */
    public function test_what_is_read_next_is_told_apart_by_the_instrument_that_reads_it(): void
    {
        $bench = Bench::microphone();
        $of = new Mishaps($bench, 1);
        for ($n = 0; $n < 60; $n++) {
            $reading = MapMethod::read($of->double(), $of->expectation->setup);
            foreach (Diagnostician::for($of->places, $of->expectation, $reading)->troubles as $trouble) {
                $next = (new NextReading($of->expectation, $reading, [Method::Insulation, Method::Ohms]))
                    ->after($trouble);
                $values = [];
                foreach ($next->answers ?? [] as $answer) {
                    if (is_float($answer->value) && $next?->method === Method::Insulation) {
                        $values[] = $answer->value < 0.01 ? 0.0 : $answer->value;
                    }
                }
                self::assertSame($values, array_unique($values));
            }
        }
    }
}
