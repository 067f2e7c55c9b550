<?php

declare(strict_types=1);

namespace Tests\Core\Later;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\End;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\ColourScheme;
use Sartal\Core\Given\Schools\HotColour;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\Work;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\OperationPlanner;
use Tests\Support\Share;

/** On the demo: any edit, and taking it back. */
final class ImpactPropertiesTest extends TestCase
{
    private static ?InstallationFile $file = null;

    private static function file(): InstallationFile
    {
        return self::$file ??= InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        );
    }

    /**
     * Every "run stage" and "run step" that is overtaken, looked for from nothing and without what the planner of
     * impacts knows.
     *
     * @return list<string>
     */
    private static function overtaken(Installation $in, Record $record): array
    {
        $plan = (new Planner())->plan($in, $record);
        $found = [];
        foreach ($in->runs() as $id => $run) {
            foreach ($run->withdrawn ? [] : $plan->strand($id) as $bead) {
                if (
                    $bead->state === BeadState::Overtaken ||
                    ($bead->state === BeadState::Failed && $bead->stage->value === 'cut')
                ) {
                    $found[] = $id.' '.$bead->stage->value;
                }
            }
        }
        $last = [];
        foreach ($record->events() as $event) {
            if ($event->step !== '') {
                $last[$event->run][$event->step] = $event;
                foreach ($event->rework()->reopens ?? [] as $again) {
                    $last[$event->run][$again] = null;
                }
            }
        }
        foreach ($plan->assemblies as $assembly) {
            if (array_intersect_key($last, array_flip($assembly->runs)) === []) {
                continue;
            }
            foreach ((new OperationPlanner($in))->of($assembly, $plan->runs) as $operation) {
                $event =
                    $last[$operation->run][$operation->id] ?? ($last[$operation->run][$operation->step->first] ?? null);
                $label = in_array($operation->task->value, ['cut', 'label', 'test'], true);
                if (
                    ! $in->runs()[$operation->run]->withdrawn &&
                    ! $label &&
                    $event !== null &&
                    $event->kind->isDone() &&
                    ! OperationFacts::stand($operation, $event->fingerprint)
                ) {
                    $found[] =
                        $operation->run.
                        ' '.
                        ($operation->side->value ?? '-').
                        ' '.
                        ($operation->task->value === 'join' ? 'end' : 'steps');
                }
            }
        }

        return array_values(array_unique($found));
    }

    private static function edited(Installation $in, Randomizer $random): Installation
    {
        $runs = $in->runs();
        $run = array_values($runs)[$random->getInt(0, count($runs) - 1)];
        $fittings = array_values($in->fittings());
        $fitting = $fittings[$random->getInt(0, count($fittings) - 1)];
        $way = array_values($in->ways())[$random->getInt(0, count($in->ways()) - 1)];
        $with = static fn (mixed ...$parts): Installation => $in->changed($parts);
        $changed = static fn (mixed ...$parts): Installation => $with(
            runs: [$run->id => new Run(...$parts + get_object_vars($run))] + $runs,
        );
        $end = static fn (mixed ...$parts): End => new End(...$parts + get_object_vars($run->b));

        return match ($random->getInt(0, 9)) {
            0, 1 => $in->withWays(
                [
                    $way->id => new Way(
                        ...['length' => $way->length->plus(Length::millimetres($random->getInt(-1500, 3000)))] +
                            get_object_vars($way),
                    ),
                ] + $in->ways(),
            ),
            2 => $in->withRules($in->rules()->with(ColourScheme::A)),
            3 => $in->withRules(
                $in->rules()->with(HotColour::cases()[$random->getInt(0, count(HotColour::cases()) - 1)]),
            ),
            4 => $changed(code: 'X-'.$random->getInt(1, 999)),
            5 => $changed(b: $end(tail: $run->b->tail->plus(Length::millimetres($random->getInt(1, 900))))),
            6 => $changed(
                b: $end(location: array_values($in->locations())[$random->getInt(0, count($in->locations()) - 1)]->id),
            ),
            7 => $changed(withdrawn: true),
            8 => $with(
                fittings: [
                    $fitting->id => new Fitting(
                        ...['exit' => $fitting->exit === '' ? 'side' : ''] + get_object_vars($fitting),
                    ),
                ] + $in->fittings(),
            ),
            default => $changed(cable: array_values($in->runs())[$random->getInt(0, count($in->runs()) - 1)]->cable),
        };
    }

    public function test_the_impact_is_what_is_found_by_working_everything_out_from_nothing(): void
    {
        [$in, $record] = [self::file()->installation, self::file()->record];
        $planner = new Planner();
        $plan = $planner->plan($in, $record);
        $before = new Work($in, $plan, $record);
        $was = self::overtaken($in, $record);
        $random = new Randomizer(new Mt19937(2026));
        $hit = 0;
        for ($i = 0; $i < Share::many(80, 200); $i++) {
            $then = self::edited($in, $random);
            $impact = (new ImpactPlanner(
                new Work($then, $planner->plan($then, $record), $record),
                before: $plan,
            ))->after($before);
            $all = self::overtaken($then, $record);
            $fresh = array_values(array_diff($all, $was));
            $runs = array_values(
                array_unique(array_map(static fn (string $each): string => explode(' ', $each)[0], $fresh)),
            );
            $found = array_map(strval(...), array_keys($impact->runs));
            sort($runs);
            sort($found);
            self::assertSame($runs, $found, 'edit '.$i.': '.implode(', ', $fresh));
            foreach ($impact->runs as $run) {
                $hit++;
                self::assertNotSame([], $run->best);
                $stages = array_filter($all, static fn (string $each): bool => str_starts_with($each, $run->run.' '));
                self::assertLessThanOrEqual(count($stages), count($run->overtaken), 'Each thing is named once.');
            }
            // And taking it back leaves nothing but what was there before.
            $back = (new ImpactPlanner($before, before: $plan))->after(
                new Work($then, $planner->plan($then, $record), $record),
            );
            self::assertSame(
                [],
                array_diff(
                    array_keys($back->runs),
                    array_map(static fn (string $each): string => explode(' ', $each)[0], $was),
                ),
                'edit '.$i.' taken back',
            );
        }
        self::assertGreaterThan(Share::many(40, 100), $hit, 'Edits that touch nothing show nothing.');
    }
}
