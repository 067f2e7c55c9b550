<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Ways\Dressing\Dresser;
use Sartal\Core\Ways\Looming\Packing\MemoryPackings;
use Sartal\Core\Work\Bench\Covers;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Parts\PartsPlanner;
use Tests\Support\Bench;

/** A cable by itself is sleeved over its whole length, as looms are along their ways. */
final class SleevedCablesTest extends TestCase
{
    private static function sleeved(?string $sleeve): Installation
    {
        $in = Bench::microphone()->installation;
        $shape = RunCodec::encode($in->theRun('A-1')) + ($sleeve === null ? [] : ['sleeve' => $sleeve]);

        return $in->withRun(RunCodec::decode(Fields::from(
            json_decode((string) json_encode($shape), true),
            '',
            new Problems(),
        )));
    }

    /** @return list<Operation> */
    private static function covers(Installation $in): array
    {
        $plan = (new Planner())->plan($in);
        $covers = (new Covers($in, $plan->layout, new Dresser($in, new MemoryPackings())))->of(['A-1']);
        $operations = (new OperationPlanner($in, $covers))->of($plan->assemblies['A-1'], $plan->runs);

        return array_values(array_filter(
            $operations,
            static fn (Operation $operation): bool => $operation->task === Task::Cover,
        ));
    }

    public function test_it_is_threaded_and_bought_by_the_metre_longer_than_the_cable(): void
    {
        self::assertSame([], self::covers(self::sleeved(null)));
        $in = self::sleeved('');
        $covers = self::covers($in);
        self::assertCount(1, $covers);
        self::assertSame('Thread it through its sleeve', $covers[0]->words);
        $plan = (new Planner())->plan($in);
        $lines = array_column(PartsPlanner::planned($in, $plan)->list(['A-1'])->lines, null, 'id');
        self::assertArrayHasKey($covers[0]->part, $lines);
        // Braid shortens as it opens: an eighth more, rounded up to 10 mm (10 to 15 %, common practice).
        $metres = ceil($plan->runs['A-1']->cut->result->inMillimetres() * 1.125 / 10) / 100;
        self::assertEqualsWithDelta($metres, $lines[$covers[0]->part]->needed->value, 1e-9);
        $without = array_column(PartsPlanner::planned(self::sleeved(null), $plan)->list(['A-1'])->lines, 'id');
        self::assertNotContains($covers[0]->part, $without);
    }

    public function test_one_that_was_chosen_is_kept_or_refused_with_a_reason(): void
    {
        // 5 mm of cable: 6 to 12 mm go round it at most; what is for 20 mm and more does not.
        $cable = self::sleeved(null)->catalogue->theCable('pair-foil')->outerDiameter;
        $fits = $refused = [];
        foreach (self::sleeved(null)->catalogue->parts() as $part) {
            if (str_starts_with($part->id, 'sleeve-')) {
                $part->grips?->takes($cable) === true ? $fits[] = $part->id : $refused[] = $part->id;
            }
        }
        self::assertNotSame([], $fits);
        self::assertNotSame([], $refused);
        self::assertSame($fits[count($fits) - 1], self::covers(self::sleeved($fits[count($fits) - 1]))[0]->part);
        $in = self::sleeved($refused[0]);
        self::assertSame([], self::covers($in));
        $words = array_map(
            static fn ($finding): string => $finding->code.' '.$finding->words,
            (new Planner())->plan($in)->findings(),
        );
        self::assertStringContainsString('run.sleeve A-1 of', implode("\n", $words));
    }
}
