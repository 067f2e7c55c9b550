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
use Tests\Support\DrawnEdits;

/**
 * A plan is worked out as far as somebody asks, and two plans are compared where they differ. Held to plans that are
 * worked out whole, after edits that the test draws itself from the file's own shape.
 */
final class BesideTest extends TestCase
{
    private const ROUNDS = 70;

    /** @var array<string, mixed> */
    private static array $demo;

    private static DrawnEdits $drawn;

    private static InstallationFile $file;

    public static function setUpBeforeClass(): void
    {
        $text = (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json');
        self::$demo = json_decode($text, true);
        self::$file = InstallationFile::parse($text);
        self::$drawn = new DrawnEdits(self::$demo);
    }

    public function test_what_is_found_by_comparing_is_what_whole_plans_differ_by(): void
    {
        $come = $gone = $different = 0;
        for ($seed = 1; $seed <= self::ROUNDS; $seed++) {
            $in = self::$drawn->edited(self::$file->installation, new Randomizer(new Mt19937($seed)));
            $then = self::$drawn->edited($in, new Randomizer(new Mt19937(1000 + $seed)));
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
            $in = self::$drawn->edited(self::$file->installation, new Randomizer(new Mt19937(2000 + $seed)));
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
}
