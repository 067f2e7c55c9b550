<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Ways\Looming\Packing\MemoryPackings;
use Sartal\Core\Work\Bench\Covers;
use Sartal\Core\Work\Bench\JobPrints;
use Sartal\Core\Work\Bench\OperationPlanner;
use Tests\Support\DrawnEdits;

/** Of a job whose print is as it was, every step is as it was. Held to steps that are found anew. */
final class JobPrintsTest extends TestCase
{
    private const ROUNDS = 8;

    public function test_the_same_print_is_the_same_job_whatever_else_was_decided(): void
    {
        $file = self::twoTrunks();
        $drawn = new DrawnEdits($file);
        $in = self::read($file);
        $was = self::jobs($in);
        $same = $other = 0;
        for ($seed = 1; $seed <= self::ROUNDS; $seed++) {
            $edited = $drawn->edited($in, new Randomizer(new Mt19937(700 + $seed)));
            foreach (self::jobs($edited) as $id => [$print, $job]) {
                if ($print === ($was[$id][0] ?? null)) {
                    self::assertSame($was[$id][1], $job, sprintf('seed %d, %s', $seed, $id));
                    $same++;
                } else {
                    $other++;
                }
            }
        }
        self::assertGreaterThan(self::ROUNDS, $other);
        self::assertGreaterThan(4 * $other, $same);
    }

    /** Who stays behind at a panel has nothing to part level with. */
    public function test_a_trunk_that_leaves_a_panel_is_missed_by_the_other(): void
    {
        $in = self::read(self::twoTrunks());
        $without = Decided::in($in, DecisionKind::Run, 'M-203', ['withdrawn' => true] + self::shape($in, 'M-203'));
        [$was, $is] = [self::jobs($in), self::jobs($without)];
        self::assertNotSame($was['M-204'][1], $is['M-204'][1]);
        self::assertNotSame($was['M-204'][0], $is['M-204'][0]);
        self::assertSame($was['V-404'], $is['V-404']);
        [$before, $after] = [self::plan($in), self::plan($without)];
        self::assertContains('M-204', $before->layout->moved($after->layout));
        self::assertContains('M-204', $after->layout->moved($before->layout));
        self::assertNotContains('V-404', $before->layout->moved($after->layout));
        self::assertSame([], $before->layout->trunks->turned($before->layout->trunks));
    }

    /** @return array<string, mixed> the demo, with both trunks to one panel */
    private static function twoTrunks(): array
    {
        $path = dirname(__DIR__, 3).'/database/demo/brackwater.json';
        $file = json_decode((string) file_get_contents($path), true, flags: JSON_THROW_ON_ERROR);
        self::assertIsArray($file);
        $places = [];
        foreach (range(1, 4) as $n) {
            $places['1-'.$n] = 'M-203.a'.$n;
            $places['2-'.$n] = 'M-204.a'.$n;
        }
        $file['panels'][0]['places'] = $places;

        return $file;
    }

    /** @param  array<string, mixed>  $file */
    private static function read(array $file): Installation
    {
        return InstallationFile::parse(json_encode($file, JSON_THROW_ON_ERROR))->installation;
    }

    private static function plan(Installation $in): Plan
    {
        return (new Planner())->plan($in);
    }

    /** @return array<int|string, array{string, string}> assembly → its print, and its steps in full */
    private static function jobs(Installation $in): array
    {
        $plan = self::plan($in);
        $covers = new Covers($in, $plan->layout, new Dresser($in, new MemoryPackings()));
        $prints = new JobPrints($in, $plan, $covers);
        $jobs = [];
        foreach ($plan->assemblies as $id => $assembly) {
            $steps = (new OperationPlanner($in, $covers->of($assembly->runs)))->of($assembly, $plan->runs);
            $jobs[$id] = [$prints->of($assembly), hash('sha256', serialize($steps))];
        }

        return $jobs;
    }

    /** @return array<string, mixed> */
    private static function shape(Installation $in, string $run): array
    {
        return json_decode(json_encode(RunCodec::encode($in->theRun($run)), JSON_THROW_ON_ERROR), true);
    }
}
