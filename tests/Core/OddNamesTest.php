<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Labelling\LabelPrints;
use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Reach\Reaches;
use Sartal\Core\Ends\Reach\SignalLine;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\File\ReadingCodec;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\LeewayFinder;
use Sartal\Core\Later\Changing\Pieces;
use Sartal\Core\Later\Changing\Work;
use Sartal\Core\Later\Handover\Readiness;
use Sartal\Core\Later\Service\CircuitTracer;
use Sartal\Core\Later\Service\Retests;
use Sartal\Core\Later\Service\ServiceFacts;
use Sartal\Core\Later\Service\ServiceFaults;
use Sartal\Core\Plan\Planning\AssemblyPlanner;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Ways\Looming\Packing\MemoryPackings;
use Sartal\Core\Work\Bench\Covers;
use Sartal\Core\Work\Bench\Disposition;
use Sartal\Core\Work\Bench\EndSheets;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\ReworkPlanner;
use Sartal\Core\Work\Bench\Traveller;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\Cuts;
use Sartal\Core\Work\Parts\LoomParts;
use Sartal\Core\Work\Parts\MakeOrBuyPlanner;
use Sartal\Core\Work\Parts\PartsPlanner;
use Sartal\Core\Work\Pulling\PullPlanner;
use Tests\Support\Renamed;
use Tests\Support\Share;

/** Crews number as they like: a code of digits is a code like any other, for runs and for everything else. */
final class OddNamesTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function demo(): array
    {
        $json = (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/brackwater.json');

        /** @var array<string, mixed> $data */
        $data = json_decode($json, true, 64, JSON_THROW_ON_ERROR);
        // Hashes of names cannot follow when things are called something else.
        $data['record'] = array_map(
            static fn (array $event): array => array_diff_key($event, ['fingerprint' => 0]),
            (array) $data['record'],
        );

        return $data;
    }

    /** @param  array<string, mixed>  $data */
    private static function read(array $data): InstallationFile
    {
        return InstallationFile::parse(json_encode($data, JSON_THROW_ON_ERROR));
    }

    public function test_everything_that_follows_is_the_same_under_names_of_digits(): void
    {
        $names = Renamed::digits(self::demo());
        self::assertSame('27114', $names->of('A-114'));
        $was = $this->follows(self::read(self::demo()));
        $is = $this->follows(self::read($names->file(self::demo())));
        foreach ($was as $what => $text) {
            self::assertSame(self::unhashed($text), $names->back(self::unhashed($is[$what])), $what);
        }
    }

    /** A hash of names is another one under other names. */
    private static function unhashed(string $text): string
    {
        return (string) preg_replace('~"(\d\.)?[0-9a-f]{16}"~', '"…"', $text);
    }

    /** @return array<string, array{int}> */
    public static function seeds(): array
    {
        $seeds = range(1, Share::many(2, 6));

        return array_column(array_map(static fn (int $seed): array => ['seed '.$seed, [$seed]], $seeds), 1, 0);
    }

    /** The names that PHP turns into numbers, and those that only look like one. */
    #[DataProvider('seeds')]
    public function test_odd_names_change_nothing_but_names(int $seed): void
    {
        mt_srand($seed);
        $odd = [
            '101',
            '007',
            '-5',
            '1e3',
            'INF',
            'NAN',
            '0',
            '-0',
            '00',
            '1.0',
            '9223372036854775807',
            '9223372036854775808',
            '-9223372036854775808',
            '0x1A',
            '1_000',
            'true',
            'null',
            '7',
            '+7',
            '1E3',
            '.5',
            str_repeat('8', 80),
            str_repeat('x', 80),
            'ß',
            '٣',
        ];
        $pool = [...$odd, ...array_map(static fn (int $n): string => (string) $n, range(200, 999))];
        $order = range(0, count($pool) - 1);
        shuffle($order);
        $names = Renamed::by(self::demo(), static fn (int $i): string => $pool[$order[$i]] ?? 'n'.$i);
        $was = self::read(self::demo());
        $is = self::read($names->file(self::demo()));
        $this->follows($is);
        $again = InstallationFile::parse($is->print());
        self::assertSame($is->print(), $again->print());
        [$before, $after] = [
            (new Planner())->plan($was->installation, $was->record),
            (new Planner())->plan($is->installation, $is->record),
        ];
        foreach ($was->installation->runs() as $id => $run) {
            $now = $names->of((string) $id);
            self::assertSame(
                $before->runs[$id]->cut->result->nanometres,
                $after->runs[$now]->cut->result->nanometres,
                $now,
            );
            self::assertEquals($before->strand($id), $after->strand($now), $now);
            self::assertSame(count($before->runs[$id]->joints()), count($after->runs[$now]->joints()), $now);
        }
    }

    /** @return array<string, string> what the rooms of the core make of a file, each as text */
    private function follows(InstallationFile $file): array
    {
        [$in, $record] = [$file->installation, $file->record];
        $plan = (new Planner())->plan($in, $record);
        $runs = array_map(static fn (Run $run): string => $run->id, array_values($in->runs()));
        $dresser = new Dresser($in, new MemoryPackings());
        $cuts = Cuts::plan(CutFacts::of($in, $plan), $record);
        $work = new Work($in, $plan, $record);
        $reaches = new Reaches($in);
        $lines = $reaches->lines($plan->runs->map(static fn (RunPlan $run): Length => $run->cut->result));
        $dressed = array_map($dresser->dress(...), array_values($plan->layout->looms));
        $parts = PartsPlanner::planned($in, $plan, $record);
        $tracer = new CircuitTracer($in, $plan);
        $leeway = new LeewayFinder($work, new Pieces($work));
        $sheets = new EndSheets($in);
        $moved = self::longer($in);
        $then = new Work($moved, (new Planner())->plan($moved, $record), $record);
        $labels = $plan->runs->map(static fn (RunPlan $run): array => $run->labels);
        $each = static fn (callable $of, array $things): array => array_map(
            static fn (object $thing): mixed => $of($thing->id),
            array_values($things),
        );

        return array_map(self::print(...), [
            'file' => $file->print(),
            'plan' => PlanEncoder::plan($plan, $in),
            'strands' => $plan->strands(),
            'findings' => $plan->findings(),
            'cutting' => $cuts,
            'parts' => $parts->list($runs, array_merge(...array_map(LoomParts::list(...), $dressed)), $cuts),
            'worth' => array_map((new MakeOrBuyPlanner($in, $plan))->of(...), array_values($plan->assemblies)),
            'reach' => array_map(
                static fn (SignalLine $line): array => [$reaches->judge($line), $reaches->next($line)],
                $lines,
            ),
            'pulls' => (new PullPlanner($in, $plan))->pulls(),
            'labels' => (new LabelPrints($in))->of($labels, $plan->rotations()),
            'overtaken' => (new ImpactPlanner($work))->standing(),
            'a way made longer' => (new ImpactPlanner($then))->after($work),
            'leeway' => $each($leeway->of(...), $in->locations()),
            'readiness' => Readiness::in($in, $plan, $record, [])->gaps(),
            'circuits' => $each($tracer->circuit(...), $in->circuits()),
            'retests' => Retests::due(ServiceFacts::of($in, $plan), $record),
            'faults' => ServiceFaults::open($record, $plan->assemblyOf),
            'sheets' => array_map(
                static fn (string $run): array => array_map(
                    static fn (Side $side): mixed => $sheets->of($in->runs()[$run], $side, $plan->runs[$run]),
                    Side::cases(),
                ),
                $runs,
            ),
            'bench' => $this->bench($file, $plan, $dresser),
            'tests' => $this->tests($file, $plan),
        ]);
    }

    /** @return list<mixed> */
    private function bench(InstallationFile $file, Plan $plan, Dresser $dresser): array
    {
        $in = $file->installation;
        $bench = [];
        foreach ($plan->assemblies as $assembly) {
            $covers = (new Covers($in, $plan->layout, $dresser))->of($assembly->runs);
            $planner = new OperationPlanner($in, $covers);
            $traveller = Traveller::order($planner->of($assembly, $plan->runs), $in->rules());
            $operations = $traveller->operations;
            $progress = new Progress($operations, $file->record->together($assembly->runs));
            $last = $operations[array_key_last($operations)];
            $rework = (new ReworkPlanner($in))->of($operations, $progress, $last, Disposition::Remake);
            $bench[] = [$traveller, $progress->settled(), $progress->open(), $progress->milestones(), $rework];
        }

        return $bench;
    }

    /** @return list<mixed> */
    private function tests(InstallationFile $file, Plan $plan): array
    {
        $tests = [];
        $planner = new AssemblyPlanner($file->installation, $plan->runs);
        foreach ($plan->assemblies as $assembly) {
            $expectation = $planner->expectation($assembly);
            $lights = $expectation->reading->lights;
            $first = array_key_first($lights);
            $opened = new Reading($first === null ? [] : [$first => []] + $lights, $expectation->reading->splits);
            $words = $planner->words($assembly);
            $causes = [];
            foreach ($planner->diagnose($assembly, $expectation, $opened)->troubles as $trouble) {
                foreach ($trouble->causes as $cause) {
                    $causes[] = array_map($words->name(...), $cause->faults);
                }
            }
            $tests[] = [
                ReadingCodec::encode($expectation->reading),
                $planner->testPlan($assembly, $expectation, TestStage::Installed),
                $causes,
            ];
        }

        return $tests;
    }

    private static function longer(Installation $in): Installation
    {
        $first = $in->ways()[array_key_first($in->ways())];
        $longer = new Way(...['length' => $first->length->plus(Length::metres(2))] + get_object_vars($first));

        return $in->withWays([$first->id => $longer] + $in->ways());
    }

    private static function print(mixed $value): string
    {
        $how = JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR;

        return is_string($value) ? $value : json_encode(self::plain($value), $how);
    }

    private static function plain(mixed $value): mixed
    {
        return match (true) {
            $value instanceof \UnitEnum => $value->name,
            // Each step holds the whole end before and after it: what was done, with what, and what came of it is told.
            $value instanceof StepMade => [$value->step->id, $value->doing->keys(), $value->lacks],
            $value instanceof MadeEnd => [
                $value->procedure->id,
                self::plain($value->made->steps),
                self::plain($value->made->result->joined),
                $value->made->unmet,
            ],
            is_object($value) => array_map(self::plain(...), get_object_vars($value)),
            is_array($value) => array_map(self::plain(...), $value),
            default => $value,
        };
    }
}
