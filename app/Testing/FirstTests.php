<?php

declare(strict_types=1);

namespace App\Testing;

use App\Models\StoredInstallation;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * How many cables passed the first test that they were put to, at each stage. Read off what is recorded, whatever was
 * recorded afterwards: a cable that was mended and passes now did not pass then.
 *
 * @phpstan-type FirstTest array{stage: value-of<TestStage>, words: string, passed: int, of: int}
 */
final class FirstTests
{
    /** @return list<FirstTest> of stages at which anything was tested */
    public static function counts(StoredInstallation $stored): array
    {
        $rows = DB::query()->fromSub(self::all($stored), 'first')
            ->groupBy('stage', 'verdict')
            ->selectRaw('stage, verdict, count(*) as count')
            ->get();
        $tests = [];
        foreach (TestStage::cases() as $each) {
            $at = $rows->where('stage', $each->value)->pluck('count', 'verdict')->all();
            $passed = (int) ($at[Verdict::Passes->value] ?? 0);
            $of = $passed + (int) ($at[Verdict::Fails->value] ?? 0);
            if ($of > 0) {
                $tests[] = ['stage' => $each->value, 'words' => $each->words(), 'passed' => $passed, 'of' => $of];
            }
        }

        return $tests;
    }

    /** @return list<string> runs that failed the first test that they were put to at a stage */
    public static function failed(StoredInstallation $stored, TestStage $stage): array
    {
        return array_values(array_filter(DB::query()->fromSub(self::all($stored), 'first')
            ->where('stage', $stage->value)
            ->where('verdict', Verdict::Fails->value)
            ->pluck('run')
            ->all(), is_string(...)));
    }

    /** Run, stage and verdict of every first test that came to one. */
    private static function all(StoredInstallation $stored): Builder
    {
        $stage = sprintf("coalesce(nullif(definition->>'stage', ''), '%s')", TestStage::Bench->value);

        return $stored->events()->toBase()->reorder()
            ->where('kind', 'tested')
            ->whereIn(DB::raw("definition->>'verdict'"), [Verdict::Passes->value, Verdict::Fails->value])
            ->selectRaw("distinct on (run, $stage) run, $stage as stage, definition->>'verdict' as verdict")
            ->orderByRaw("run, $stage, definition->>'at', id");
    }
}
