<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Environment;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Takes;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Near\HeldCards;
use Sartal\Core\Plan\Near\OnCard;
use Sartal\Core\Plan\Near\WaysTaken;
use Sartal\Core\Ways\Routing\Router;

/**
 * Which runs take other ways, in buildings that are drawn by chance, where many ways are as long as others: whoever is
 * not said to may take another takes the same.
 */
final class WaysTakenTest extends TestCase
{
    private const ROUNDS = 400;

    private static Installation $demo;

    /** @var list<array<string, mixed>> of its runs */
    private static array $shapes;

    public static function setUpBeforeClass(): void
    {
        $text = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
        self::$demo = InstallationFile::parse($text)->installation;
        self::$shapes = json_decode($text, true)['runs'];
    }

    public function test_whoever_is_not_said_to_may_take_other_ways_takes_the_same(): void
    {
        $said = $other = $all = 0;
        for ($seed = 1; $seed <= self::ROUNDS; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            $was = self::building($random);
            [$is, $way] = self::moved($was, $random);
            $cards = HeldCards::from($was);
            $found = (new WaysTaken($is, [$way]))->among($cards->courses());
            $may = $cards->with(OnCard::Ways, [$way], PHP_INT_MAX) + $cards->with(OnCard::Course, $found, PHP_INT_MAX);
            [$before, $after] = [new Router($was), new Router($is)];
            foreach ($is->runs() as $id => $run) {
                [$there, $here] = [$before->route($was->theRun($id)), $after->route($run)];
                // By the ways themselves, and not by what they are called: one of them is another.
                $isSame = $there == $here;
                if (! isset($may[$id])) {
                    self::assertTrue($isSame, sprintf('seed %d, %s', $seed, $id));
                }
                $other += (int) ! $isSame;
                $said += (int) isset($may[$id]);
                $all++;
            }
        }
        // Many do take others, few are looked at for nothing, and most are not looked at.
        self::assertGreaterThan($all / 20, $other);
        self::assertLessThan(3 * $other, $said);
        self::assertLessThan($all / 2, $said);
    }

    /** A building of ways as long as each other, between places on a grid, for the demo's own runs. */
    private static function building(Randomizer $random): Installation
    {
        $places = array_map(strval(...), array_keys(self::$demo->locations()));
        $places = array_slice($random->shuffleArray($places), 0, 12);
        $ways = [];
        for ($i = 0; $i < 22; $i++) {
            [$from, $to] = self::two($places, $random);
            $ways["w$i"] = self::way("w$i", $from, $to, $random);
        }
        $in = self::$demo->changed(['ways' => $ways, 'runs' => []]);
        foreach (array_slice(self::$shapes, 0, 40) as $shape) {
            [$shape['a']['location'], $shape['b']['location']] = self::two($places, $random);
            $shape['ways'] = $random->getInt(1, 12) === 1 ? ['w'.$random->getInt(0, 24)] : [];
            $in = Decided::in($in, DecisionKind::Run, $shape['id'], $shape);
        }

        return $in;
    }

    /** @return array{Installation, string} */
    private static function moved(Installation $in, Randomizer $random): array
    {
        $ways = $in->ways();
        // Some runs are pinned to one that there is not.
        $id = 'w'.$random->getInt(0, 24);
        $places = array_map(strval(...), array_keys($in->locations()));
        [$from, $to] = isset($ways[$id]) ? [$ways[$id]->from, $ways[$id]->to] : self::two($places, $random);
        if ($random->getInt(1, 5) === 1) {
            unset($ways[$id]);
        } else {
            $ways[$id] = self::way($id, $from, $to, $random);
        }

        return [$in->changed(['ways' => $ways]), $id];
    }

    private static function way(string $id, string $from, string $to, Randomizer $random): Way
    {
        return new Way(
            $id,
            strtoupper($id),
            WayKind::Tray,
            Length::millimetres(1000 * $random->getInt(1, 3)),
            $from,
            $to,
            environment: $random->getInt(1, 9) === 1 ? [Environment::Outdoor] : [],
            takes: $random->getInt(1, 9) === 1 ? Takes::Mains : Takes::Both,
        );
    }

    /**
     * @param  list<string>  $places
     * @return array{string, string}
     */
    private static function two(array $places, Randomizer $random): array
    {
        [$one, $other] = $random->pickArrayKeys($places, 2);

        return $random->getInt(0, 1) === 0 ? [$places[$one], $places[$other]] : [$places[$other], $places[$one]];
    }
}
