<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Ways\Routing\Network;
use Sartal\Core\Ways\Routing\ShortestPaths;
use Tests\Support\Node;

/** Shortest ways on random buildings against a shortest-path library. */
final class WayfindingTest extends TestCase
{
    public function test_distances_are_those_of_an_independent_library(): void
    {
        $random = new Randomizer(new Mt19937(20));
        $questions = $networks = [];
        for ($n = 0; $n < 40; $n++) {
            $places = 4 + $n;
            $edges = $ways = $pairs = [];
            for ($i = 0; $i < $places * 2; $i++) {
                [$from, $to, $length] = [
                    'p'.$random->getInt(1, $places),
                    'p'.$random->getInt(1, $places),
                    $random->getInt(1, 40) * 250,
                ];
                if ($from !== $to) {
                    $edges[] = [$from, $to, $length];
                    $ways['w'.$i] = new Way(
                        'w'.$i,
                        'W'.$i,
                        WayKind::Tray,
                        Length::millimetres($length),
                        $from,
                        $to,
                    );
                }
            }
            for ($i = 0; $i < 12; $i++) {
                $pairs[] = ['p'.$random->getInt(1, $places), 'p'.$random->getInt(1, $places)];
            }
            $questions[] = ['edges' => $edges, 'pairs' => $pairs];
            $networks[] = new Network($ways);
        }
        $apart = 0;
        foreach (Node::ask('distances', $questions) as $n => $answers) {
            foreach ($questions[$n]['pairs'] as $i => [$from, $to]) {
                $paths = ShortestPaths::from($from, $networks[$n], static fn (): bool => true);
                $hops = $paths->to($to);
                $apart += $hops === null ? 1 : 0;
                // The hops lead from one to the other, and their lengths add up to the distance.
                $at = $from;
                $sum = 0;
                foreach ($hops ?? [] as $hop) {
                    self::assertSame($at, $hop->from);
                    $at = $hop->to;
                    $sum += $hop->way->length->nanometres;
                }
                self::assertSame($hops === null ? $from : $to, $at);
                self::assertSame(
                    $answers[$i],
                    $hops === null ? -1 : intdiv($sum, 1_000_000),
                    sprintf('graph %d, %s to %s', $n, $from, $to),
                );
            }
        }
        self::assertGreaterThan(0, $apart, 'some places are not to be come to');
    }
}
