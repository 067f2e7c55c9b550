<?php

declare(strict_types=1);

namespace App\Http\Controllers\Proof;

use App\Contract\Answer;
use App\Contract\Body;
use App\Formats\BadLine;
use App\Http\Requests\Proof\TrainerAnswer;
use App\Http\Requests\Proof\TrainerMethod;
use App\Http\Requests\Proof\TrainerStart;
use App\Http\Resources\Proof\TestResource;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Simulators\TestInstrument;
use App\Testing\Exercise;
use App\Testing\UnderTest;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Str;
use Sartal\Core\File\ReadingCodec;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Proof\Diagnosing\Fault;
use Sartal\Core\Proof\Diagnosing\Probing;
use Sartal\Core\Proof\Diagnosing\ProbingStep;
use Sartal\Core\Proof\Testing\Methods;
use Sartal\Core\Proof\Testing\Sample;

/**
 * The trainer: an assembly with a hidden fault, instruments to probe it with, and the short way shown at the end.
 * Nothing is recorded.
 *
 * @phpstan-import-type ExerciseShown from Exercise
 * @phpstan-import-type TestSheet from TestResource
 * @phpstan-import-type FaultShown from SimulatorController
 *
 * @phpstan-type ReadSample array{
 *     method: value-of<Method>,
 *     state?: string,
 *     at: string,
 *     value: float|list<string>|string,
 *     declared?: bool,
 *     wrong: bool,
 * }
 * @phpstan-type NoExercise array{exercise: null}
 * @phpstan-type ExercisePage array{
 *     exercise: ExerciseShown,
 *     sheet: TestSheet,
 *     methods: list<array{id: value-of<Method>, words: string, minutes: float, opens: bool}>,
 *     choices: list<FaultShown>,
 * }
 * @phpstan-type CauseNamed array{
 *     right: bool,
 *     exact: bool,
 *     was: string,
 *     consequence: string,
 *     named: string,
 *     minutes: float,
 *     opened: int,
 *     path: list<array{
 *         method: value-of<Method>,
 *         words: string,
 *         nodes: list<string>,
 *         left: int,
 *         minutes: float,
 *     }>,
 * }
 */
final class TrainerController
{
    private const KEPT = 24 * 3600;

    /** Ends that may be opened. */
    private const BUDGET = 1;

    /**
     * @return Answer<ExercisePage>
     */
    public function start(
        Request $request,
        #[Body(TrainerStart::class)] TrainerStart $sent,
        StoredInstallation $stored,
        Near $near,
        Container $container,
    ): Answer {
        $run = $sent->run;
        if ($run === '') {
            $all = KeptStandings::atWork($stored, static fn (): Loaded => $container->make(Loaded::class))->all();
            if ($all === []) {
                throw BadLine::because('run', '', 'There is no cable here to practise on. Enter a run first.');
            }
            $run = (string) array_rand($all);
        }
        $test = UnderTest::near($near, $stored, $run);
        $faults = TestInstrument::faults($test);
        if ($faults === []) {
            throw BadLine::because(
                'run',
                $run,
                'Nothing can be wrong with this one: it has no joints yet. Choose another.',
            );
        }
        $exercise = new Exercise((string) Str::ulid(), $test->assembly->id, (string) array_rand($faults), self::BUDGET);
        $this->keep($request, $stored, $exercise);

        return $this->shown($exercise, $test, 201);
    }

    /** @return Answer<ExercisePage|NoExercise> */
    public function show(Request $request, StoredInstallation $stored, Near $near): Answer
    {
        $exercise = $this->kept($request, $stored);

        return $exercise === null
            ? new Answer(['exercise' => null])
            : $this->shown($exercise, UnderTest::near($near, $stored, $exercise->run));
    }

    /**
     * One method put to the assembly; an end that is opened comes off the budget.
     *
     * @return Answer<array{
     *     exercise: ExerciseShown,
     *     method: value-of<Method>,
     *     samples: list<ReadSample>,
     * }>
     */
    public function measure(
        Request $request,
        #[Body(TrainerMethod::class)] TrainerMethod $sent,
        StoredInstallation $stored,
        Near $near,
    ): Answer {
        [$exercise, $test, $fault] = $this->at($request, $stored, $near);
        $method = $sent->method;
        if (
            Methods::card($method)->opens &&
            ! in_array($method->value, $exercise->read, true) &&
            $exercise->opened >= $exercise->budget
        ) {
            throw BadLine::because(
                'method',
                Methods::card($method)->words,
                'No end is left to open. Name the cause from what you have read.',
            );
        }
        $exercise = $exercise->after($method->value, Methods::card($method)->minutes, Methods::card($method)->opens);
        $this->keep($request, $stored, $exercise);
        $senses = $test->expectation()->senses();
        $samples = [];
        foreach ($senses->questions($method === Method::Map ? Method::Shells : $method) as $question) {
            $value = $senses->answer($question, [$fault->edit]);
            /** @var ReadSample */
            $sample = ReadingCodec::encodeSample(
                new Sample($question, is_float($value) && is_nan($value) ? 0.0 : $value),
            ) + ['wrong' => ! $senses->agree($question, $senses->expected($question), $value)];
            $samples[] = $sample;
        }

        return new Answer(['exercise' => $exercise->shown(), 'method' => $method->value, 'samples' => $samples]);
    }

    /**
     * The trainee names the cause; whatever reads the same by every method counts.
     *
     * @return Answer<CauseNamed>
     */
    public function name(
        Request $request,
        #[Body(TrainerAnswer::class)] TrainerAnswer $sent,
        StoredInstallation $stored,
        Near $near,
    ): Answer {
        [$exercise, $test, $fault] = $this->at($request, $stored, $near);
        $faults = TestInstrument::faults($test);
        $named =
            $faults[$sent->fault] ??
            throw BadLine::because('fault', $sent->fault, 'Choose one of the causes that are listed.');
        $this->keep($request, $stored, $exercise->ended());
        $words = $test->words();
        $steps = (new Probing($test->expectation(), $test->planner->places($test->assembly)))->to($fault);

        return new Answer([
            'right' => $named->key() === $fault->key() || $this->readsTheSame($test, $named, $fault),
            'exact' => $named->key() === $fault->key(),
            'was' => $words->name($fault),
            'consequence' => $words->consequence($fault),
            'named' => $words->name($named),
            'minutes' => $exercise->minutes,
            'opened' => $exercise->opened,
            'path' => array_map(
                static fn (ProbingStep $step): array => [
                    'method' => $step->method->value,
                    'words' => Methods::card($step->method)->words,
                    'nodes' => $step->question === null ? [] : $test->expectation()->senses()->nodes($step->question),
                    'left' => $step->left,
                    'minutes' => $step->minutes(),
                ],
                $steps,
            ),
        ]);
    }

    private function readsTheSame(UnderTest $test, Fault $one, Fault $other): bool
    {
        $senses = $test->expectation()->senses();
        foreach (Method::cases() as $method) {
            foreach ($senses->questions($method) as $question) {
                if (
                    ! $senses->agree(
                        $question,
                        $senses->answer($question, [$one->edit]),
                        $senses->answer($question, [$other->edit]),
                    )
                ) {
                    return false;
                }
            }
        }

        return true;
    }

    /** @return array{Exercise, UnderTest, Fault} */
    private function at(Request $request, StoredInstallation $stored, Near $near): array
    {
        $exercise = $this->kept($request, $stored);
        if ($exercise === null || $exercise->over) {
            throw BadLine::because('exercise', '', 'This exercise is over. Start another.');
        }
        $test = UnderTest::near($near, $stored, $exercise->run);
        $fault =
            TestInstrument::faults($test)[$exercise->fault] ??
            throw BadLine::because('exercise', '', 'The plan has changed meanwhile. Start another.');

        return [$exercise, $test, $fault];
    }

    /**
     * @return Answer<ExercisePage>
     */
    private function shown(Exercise $exercise, UnderTest $test, int $status = 200): Answer
    {
        $words = $test->words();
        $choices = [];
        foreach (TestInstrument::faults($test) as $key => $fault) {
            $choices[] = ['key' => (string) $key, 'words' => $words->name($fault), 'kind' => $fault->kind->value];
        }

        return new Answer(
            [
                'exercise' => $exercise->shown(),
                'sheet' => TestResource::sheet(
                    $test->loaded->installation->runs()[$exercise->run],
                    $test,
                    TestStage::Bench,
                ),
                'methods' => array_values(
                    array_map(
                        static fn (Method $method): array => [
                            'id' => $method->value,
                            'words' => Methods::card($method)->words,
                            'minutes' => Methods::card($method)->minutes,
                            'opens' => Methods::card($method)->opens,
                        ],
                        array_filter(
                            Method::cases(),
                            static fn (Method $method): bool => $method !== Method::Shells &&
                                $test->expectation()->senses()->questions($method) !== [],
                        ),
                    ),
                ),
                'choices' => $choices,
            ],
            $status,
        );
    }

    private function kept(Request $request, StoredInstallation $stored): ?Exercise
    {
        $kept = $this->cache()->get(self::key($request, $stored));

        return $kept instanceof Exercise ? $kept : null;
    }

    private function keep(Request $request, StoredInstallation $stored, Exercise $exercise): void
    {
        $this->cache()->put(self::key($request, $stored), $exercise, self::KEPT);
    }

    private static function key(Request $request, StoredInstallation $stored): string
    {
        $user = $request->user();
        assert($user instanceof User);

        return sprintf('trainer.%s.%d', $stored->mark(), $user->id);
    }

    private function cache(): Repository
    {
        return Cache::store('file');
    }
}
