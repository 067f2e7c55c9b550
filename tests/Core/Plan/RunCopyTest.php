<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Installation\Link;
use Sartal\Core\Given\Installation\PanelSwitch;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\JointShrink;
use Sartal\Core\Given\Schools\ScreenTinning;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Proposing\RunCopy;
use Tests\Support\Bench;

/** A run once more: nothing that was decided about it is lost on the way. */
final class RunCopyTest extends TestCase
{
    private static ?Installation $demo = null;

    private static function demo(): Installation
    {
        return self::$demo ??= InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        )->installation;
    }

    private static function with(Installation $in, RunCopy $copy): Installation
    {
        return $in->changed([
            'runs' => [$copy->proposal->run->id => $copy->proposal->run] + $in->runs(),
            'fittings' => $copy->proposal->fittings + $in->fittings(),
            'circuits' => $copy->proposal->circuits + $in->circuits(),
            'splices' => [...$in->splices(), ...$copy->splices],
            'links' => [...$in->links(), ...$copy->links],
        ]);
    }

    /**
     * Every conductor of an end with where it goes, the copy's names for its connectors put back.
     *
     * @return list<string>
     */
    private static function joints(Installation $in, Run $run, Run $of): array
    {
        $names = array_combine($run->fittings(), $of->fittings());
        $joints = [];
        $plan = (new Planner())->plan($in)->runs[$run->id];
        foreach (Side::cases() as $side) {
            foreach ($plan->end($side)->joints as $joint) {
                $joints[] = sprintf(
                    '%s %s > %s (%s, %s)',
                    $side->value,
                    $joint->conductor,
                    strtr(self::to($joint), $names),
                    $joint->function,
                    $joint->byHand,
                );
            }
        }
        sort($joints);

        return $joints;
    }

    private static function to(Joint $joint): string
    {
        return preg_replace('~splice:.*|s:.*~', 'splice', $joint->to) ?? '';
    }

    /** All 56 of the demo: a multicore to a panel, a composite, a block, what is joined by hand. */
    public function test_every_run_of_the_demo_is_joined_as_the_one_that_it_is_of(): void
    {
        $in = self::demo();
        $looked = 0;
        foreach ($in->runs() as $run) {
            if ($run->withdrawn) {
                continue;
            }
            $copy = RunCopy::of($run, $in, 'X-999', 'X-999');
            $made = $copy->proposal->run;
            self::assertSame('X-999', $made->code);
            self::assertSame([], array_intersect($made->fittings(), $run->fittings()), 'its connectors are its own');
            self::assertSame($made->fittings(), array_map(strval(...), array_keys($copy->proposal->fittings)));
            $both = self::with($in, $copy);
            self::assertSame(self::joints($in, $run, $run), self::joints($both, $made, $run), $run->code);
            $joints = self::joints($in, $run, $run);
            $looked += count($joints);
            foreach (Side::cases() as $side) {
                [$was, $is] = [$run->end($side), $made->end($side)];
                self::assertEquals($was->unused, $is->unused);
                foreach ($was->legs as $i => $leg) {
                    self::assertEquals(
                        [$leg->label, $leg->elements, $leg->length, $leg->procedure, $leg->onEquipment],
                        [
                            $is->legs[$i]->label,
                            $is->legs[$i]->elements,
                            $is->legs[$i]->length,
                            $is->legs[$i]->procedure,
                            $is->legs[$i]->onEquipment,
                        ],
                    );
                    self::assertNull($is->legs[$i]->measured);
                }
            }
        }
        self::assertGreaterThan(400, $looked);
    }

    public function test_connectors_come_along_as_they_were_chosen(): void
    {
        $in = self::demo();
        foreach ($in->runs() as $run) {
            $copy = RunCopy::of($run, $in, 'X-999', 'X-999');
            foreach (array_combine($run->fittings(), array_keys($copy->proposal->fittings)) as $was => $is) {
                [$one, $other] = [get_object_vars($in->theFitting((string) $was)), get_object_vars(
                    $copy->proposal->fittings[$is],
                )];
                unset($one['id'], $other['id'], $one['label'], $other['label']);
                self::assertSame($one, $other);
            }
            foreach ($copy->proposal->circuits as $circuit) {
                self::assertArrayNotHasKey($circuit->id, $in->circuits());
            }
        }
    }

    /** What leads from it to others stays with the first, and is counted. */
    public function test_jumpers_to_others_stay_and_are_told(): void
    {
        $in = self::demo();
        $copy = RunCopy::of($in->theRun('M-203'), $in, 'X-999', 'X-999');
        self::assertSame([], $copy->links);
        self::assertSame([], $copy->switches);
        // Counted in the file itself.
        $file = json_decode(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
            true,
        );
        $leads = array_filter(
            [...$file['links'], ...$file['switches']],
            static fn (array $each): bool => str_starts_with($each['from'], 'M-203.') !==
                str_starts_with($each['to'], 'M-203.'),
        );
        self::assertSame(count($leads), $copy->left);
        self::assertGreaterThan(20, $copy->left);
    }

    /** Joined by hand, left open, spliced, jumpered and switched between what is its own: all of it comes along. */
    public function test_what_was_done_by_hand_comes_along(): void
    {
        $bench = Bench::microphone();
        $run = $bench->installation->theRun('A-1');
        $hand = [
            new HandJoint('a', 'A-1.a1/3', 'as the desk has it'),
            new HandJoint('b', 'splice:mid', 'into the box'),
            new HandJoint('drain', null, 'open here'),
        ];
        $end = $run->a;
        foreach ($hand as $joint) {
            $end = $end->joinedByHand($joint->conductor, $joint);
        }
        $run = $run->withEnd(Side::A, $end);
        $in = $bench->installation->changed([
            'runs' => ['A-1' => $run],
            'splices' => ['mid'],
            'links' => [new Link('splice:mid', 'A-1.a1/2', 'jumper'), new Link('A-1.b1/1', 'elsewhere/1', '')],
            'switches' => ['s' => new PanelSwitch('s', 'Lift', 'A-1.a1/1', 'A-1.a1/shell', true)],
        ]);
        $copy = RunCopy::of($run, $in, 'B-2', 'B-2');
        self::assertEquals([
            new HandJoint('a', 'B-2.a1/3', 'as the desk has it'),
            new HandJoint('b', 'splice:B-2-mid', 'into the box'),
            new HandJoint('drain', null, 'open here'),
        ], $copy->proposal->run->a->handJoints);
        self::assertSame(['B-2-mid'], $copy->splices);
        self::assertEquals([new Link('splice:B-2-mid', 'B-2.a1/2', 'jumper')], $copy->links);
        self::assertEquals([new PanelSwitch('B-2-s', 'Lift', 'B-2.a1/1', 'B-2.a1/shell', true)], $copy->switches);
        self::assertSame(1, $copy->left);
    }

    /** What an end answers by itself, how a leg is sleeved, how it is left bare. */
    public function test_what_an_end_says_of_itself_comes_along(): void
    {
        $in = self::demo();
        $run = $in->theRun('P-007');
        $legs = array_map(static fn (Leg $leg): Leg => $leg->sleevedWith(''), $run->b->legs);
        $own = $run->withEnd(Side::B, $run->b->withLegs($legs)->answering([JointShrink::Each, ScreenTinning::Full]));
        $copy = RunCopy::of($own, $in->withRun($own), 'P-070', 'P-070')->proposal->run;
        self::assertSame([JointShrink::Each, ScreenTinning::Full], $copy->b->own);
        self::assertSame(['', ''], array_map(static fn (Leg $leg): ?string => $leg->sleeve, $copy->b->legs));
        self::assertEquals($own->a->own, $copy->a->own);
    }
}
