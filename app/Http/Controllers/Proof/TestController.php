<?php

declare(strict_types=1);

namespace App\Http\Controllers\Proof;

use App\Bench\Given;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Http\Requests\Proof\CoverageAsked;
use App\Http\Requests\Proof\ReadingToJudge;
use App\Http\Requests\Proof\StageAsked;
use App\Http\Resources\Proof\CoverageResource;
use App\Http\Resources\Proof\JudgementResource;
use App\Http\Resources\Proof\TestResource;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Kept;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Planning\Touched;
use App\Recording\Against;
use App\Testing\Known;
use App\Testing\TestProgress;
use App\Testing\UnderTest;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\Container\Container;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\File\ReadingCodec;
use Sartal\Core\Given\Installation\Method;

/**
 * Test: what one assembly should read, and what a reading of it comes to.
 *
 * @phpstan-import-type TestSheet from TestResource
 * @phpstan-import-type Judgement from JudgementResource
 * @phpstan-import-type CoverageShown from CoverageResource
 * @phpstan-import-type Tally from TestProgress
 *
 * @phpstan-type TestProgressPage array{
 *     mine: array{looms: list<string>, assemblies: list<string>},
 *     all: Tally,
 *     looms: list<Tally>,
 *     places: list<Tally>,
 *     cursor: string,
 * }
 */
final class TestController
{
    /** @return Answer<TestSheet> */
    public function show(
        #[Query(StageAsked::class)] StageAsked $asked,
        StoredInstallation $stored,
        Container $container,
        Near $near,
        string $id,
    ): Answer {
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        $standings = KeptStandings::atWork($stored, $loaded);
        $standing = $standings->of($id) ?? abort(404, 'There is no such run here. It may have been removed.');
        $facts = $standings->facts($standing->id);
        ['sheet' => $sheet] = Kept::once(
            $stored,
            sprintf('test %s %s', $asked->stage->value, $id),
            $standings->edition(),
            static function () use ($stored, $near, $asked, $id): array {
                $part = $near->atWork($stored, [$id]);

                return [
                    'sheet' => TestResource::decided(
                        $part->installation->theRun($id),
                        UnderTest::of($part, $id),
                        $asked->stage,
                    ),
                ];
            },
        );

        return new Answer(
            TestResource::standing(
                $sheet,
                (new Against($stored, $loaded))->test($facts),
                $facts,
                $standing,
                Touched::record($stored, $facts->runs()),
                $standings->rules(),
                $stored->names(),
            ),
        );
    }

    /**
     * Verdict and likely causes of a reading that is not recorded yet.
     *
     * @return Answer<Judgement>
     */
    public function judge(
        #[Body(ReadingToJudge::class)] ReadingToJudge $sent,
        StoredInstallation $stored,
        Near $near,
        string $id,
    ): Answer {
        $problems = new Problems();
        $reading = ReadingCodec::decode(Fields::from($sent->reading, 'reading', $problems));
        $problems->settle();
        $test = UnderTest::near($near, $stored, $id);
        Known::check($reading, $test->expectation());

        return new Answer(JudgementResource::of($reading, $test, $sent->stage, $stored->names()));
    }

    /**
     * How far everybody is; asked every few seconds.
     *
     * @return Answer<TestProgressPage>
     */
    public function progress(
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        TestProgress $progress,
        Given $given,
    ): Answer {
        return new Answer($progress->of($stored) + ['mine' => $given->to($stored, $user)]);
    }

    /**
     * What the chosen methods cannot see.
     *
     * @return Answer<CoverageShown>
     */
    public function coverage(
        #[Query(CoverageAsked::class)] CoverageAsked $asked,
        StoredInstallation $stored,
        Near $near,
        string $id,
    ): Answer {
        $methods = array_values(array_filter(array_map(Method::tryFrom(...), explode(',', $asked->checks))));
        abort_if(
            $methods === [],
            422,
            'Choose at least one check: '.
                implode(', ', array_map(static fn (Method $method): string => $method->value, Method::cases())).
                '.',
        );
        $test = UnderTest::near($near, $stored, $id);
        $by = implode(' ', array_map(static fn (Method $method): string => $method->value, $methods));

        return new Answer(
            Kept::once(
                $stored,
                sprintf('coverage of %s by %s', $test->assembly->id, $by),
                Kept::state('coverage', $stored->edition()),
                static fn (): array => CoverageResource::of(
                    $test->planner->coverage($test->assembly, $methods),
                    $test->words(),
                ),
            ),
        );
    }
}
