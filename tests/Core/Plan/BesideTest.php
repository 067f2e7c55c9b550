<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Planning\Consequences;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;

/**
 * A plan is worked out as far as somebody asks, and two plans are compared where they differ. Held to plans that are
 * worked out whole, after edits that the test draws itself from the file's own shape.
 */
final class BesideTest extends TestCase
{
    private const ROUNDS = 70;

    /** @var array<string, mixed> */
    private static array $demo;

    private static InstallationFile $file;

    public static function setUpBeforeClass(): void
    {
        $text = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
        self::$demo = json_decode($text, true);
        self::$file = InstallationFile::parse($text);
    }

    public function test_what_is_found_by_comparing_is_what_whole_plans_differ_by(): void
    {
        $come = $gone = $different = 0;
        for ($seed = 1; $seed <= self::ROUNDS; $seed++) {
            $in = self::edited(self::$file->installation, new Randomizer(new Mt19937($seed)));
            $then = self::edited($in, new Randomizer(new Mt19937(1000 + $seed)));
            [$in, $then] = $seed % 2 === 0 ? [$then, $in] : [$in, $then];
            $planner = new Planner(new MemoryPlanCache());
            [$before, $after] = [$planner->plan($in, self::$file->record), $planner->plan($then, self::$file->record)];
            $is = $after->findingsBeside($before);
            $was = $before->findingsBeside($after);
            [$wholeBefore, $wholeAfter] = [self::whole($in), self::whole($then)];
            $comes = self::words(Consequences::difference($is, $was));
            $goes = self::words(Consequences::difference($was, $is));
            self::assertSame(
                self::words(Consequences::difference($wholeAfter->findings(), $wholeBefore->findings())),
                $comes,
                'seed '.$seed,
            );
            self::assertSame(
                self::words(Consequences::difference($wholeBefore->findings(), $wholeAfter->findings())),
                $goes,
                'seed '.$seed,
            );
            $come += count($comes);
            $gone += count($goes);
            foreach ($then->runs() as $id => $run) {
                if (! $after->isAs($before, $id)) {
                    $different++;

                    continue;
                }
                self::assertEquals($wholeBefore->strand($id), $wholeAfter->strand($id), $seed.' '.$id);
                self::assertEquals($wholeBefore->reliedOn($id), $wholeAfter->reliedOn($id), $seed.' '.$id);
                self::assertEquals($wholeBefore->runs[$id]->ends(), $wholeAfter->runs[$id]->ends(), $seed.' '.$id);
            }
        }
        // Edits say something new, and most of the demo stays as it is.
        self::assertGreaterThan(40, $come);
        self::assertGreaterThan(40, $gone);
        self::assertLessThan(self::ROUNDS * count(self::$file->installation->runs()) / 2, $different);
    }

    public function test_what_is_found_on_one_subject_is_what_the_whole_list_says_of_it(): void
    {
        for ($seed = 1; $seed <= 25; $seed++) {
            $in = self::edited(self::$file->installation, new Randomizer(new Mt19937(2000 + $seed)));
            $said = $subjects = [];
            foreach (self::whole($in)->judged() as $finding) {
                $said[$finding->subject->text()][] = $finding;
                $subjects[$finding->subject->text()] = $finding->subject;
            }
            self::assertNotSame([], $said);
            $plan = (new Planner())->plan($in);
            $random = new Randomizer(new Mt19937($seed));
            foreach ($random->shuffleArray(array_keys($said)) as $subject) {
                self::assertEquals($said[$subject], $plan->judgedOn($subjects[$subject]), $seed.' '.$subject);
            }
        }
    }

    public function test_what_nobody_asks_is_not_worked_out(): void
    {
        $cache = new MemoryPlanCache();
        $planner = new Planner($cache);
        $in = self::$file->installation;
        $before = $planner->plan($in, self::$file->record);
        self::assertSame(0, $cache->runsComputed);
        $shape = self::$demo['runs'][array_search('A-114', array_column(self::$demo['runs'], 'id'), true)];
        $shape['a']['tail'] = '9 m';
        $after = $planner->plan(Decided::in($in, DecisionKind::Run, 'A-114', $shape), self::$file->record);
        $after->findingsBeside($before);
        // Labels are compared with all others, by what they say alone: no other run is begun.
        self::assertSame(1, $cache->runsComputed);
        self::assertSame(0, $cache->readingsComputed);
        self::assertSame(
            ['A-114'],
            array_values(
                array_filter(
                    array_map(strval(...), array_keys($in->runs())),
                    static fn (string $run): bool => ! $after->isAs($before, $run),
                ),
            ),
        );
    }

    private static function whole(Installation $in): Plan
    {
        return (new Planner())->plan($in, self::$file->record);
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<string> in an order of their own: what is found may be found in another
     */
    private static function words(array $findings): array
    {
        $words = array_map(
            static fn (Finding $each): string => $each->code.' '.$each->subject->text().' '.$each->words,
            $findings,
        );
        sort($words);

        return $words;
    }

    private static function edited(Installation $in, Randomizer $random): Installation
    {
        for ($i = $random->getInt(1, 3); $i > 0; $i--) {
            [$kind, $key, $shape] = self::edit($random);
            $in = Decided::in($in, $kind, $key, $shape);
        }

        return $in;
    }

    /** @return array{DecisionKind, string, ?array<string, mixed>} one decision of the demo, made otherwise */
    private static function edit(Randomizer $random): array
    {
        $pick = static fn (array $list): mixed => $list[$random->pickArrayKeys($list, 1)[0]];
        $run = $pick(self::$demo['runs']);
        $other = $pick(self::$demo['runs']);
        $end = $pick(['a', 'b']);
        $leg = $run[$end]['legs'] === [] ? null : $random->pickArrayKeys($run[$end]['legs'], 1)[0];
        $what = $random->getInt(1, 16);
        if ($what > 12) {
            $circuit = $pick(self::$demo['circuits']);
            $fitting = $pick(self::$demo['fittings']);
            [$kind, $shape] = match ($what) {
                13 => [DecisionKind::Circuit, ['signal' => $pick(self::$demo['circuits'])['signal']] + $circuit],
                14 => [DecisionKind::Circuit, ['phantom' => $fitting['id']] + $circuit],
                15 => [DecisionKind::Fitting, ['connector' => $pick(self::$demo['fittings'])['connector']] + $fitting],
                default => [DecisionKind::Fitting, ['shared' => ['1', '2']] + $fitting],
            };

            return [$kind, $shape['id'], $shape];
        }
        match ($what) {
            1, 2 => ($run[$end]['tail'] = $random->getInt(1, 90).' m'),
            3, 4 => ($run['cable'] = $other['cable']),
            5 => ($run['code'] = $other['code']),
            6 => ($run['withdrawn'] = true),
            7 => ($run['ways'] = []),
            8 => ($run['loom'] = $other['loom'] ?? null),
            9 => ($run[$end]['location'] = $other[$end]['location']),
            10 => ($run['carries'] = array_slice($run['carries'], 1)),
            default => null,
        };
        if ($what === 8 && $run['loom'] === null) {
            unset($run['loom']);
        }
        if ($what === 11 && $leg !== null && isset($run[$end]['legs'][$leg]['landing'])) {
            $run[$end]['legs'][$leg]['landing']['fitting'] = $pick(self::$demo['fittings'])['id'];
        }

        return [DecisionKind::Run, $run['id'], $what === 12 ? null : $run];
    }
}
