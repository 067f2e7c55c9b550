<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Bench\HoursSpent;
use App\Contract\Answer;
use App\Contract\Map;
use App\Contract\Query;
use App\Formats\BadLine;
use App\Http\Requests\Work\BehindWhat;
use App\Http\Requests\Work\RunsBehind;
use App\Http\Resources\Work\ProgressResource;
use App\Models\StoredInstallation;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\RunsInGroups;
use App\Recording\ByHands;
use App\Testing\FirstTests;
use BackedEnum;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Container\Container;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\File\StockCodec;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Stage;

/**
 * How far all of it has come, for whoever looks rather than reads.
 *
 * @phpstan-import-type GroupsShown from ProgressResource
 * @phpstan-import-type CableCut from ProgressResource
 * @phpstan-import-type HoursShown from HoursSpent
 * @phpstan-import-type FirstTest from FirstTests
 *
 * @phpstan-type ProgressPage array{
 *     stages: list<value-of<Stage>>,
 *     made: int,
 *     failed: int,
 *     groups: GroupsShown,
 *     people: list<array{id: string, name: string, runs: int, stages: Map<int>}>,
 *     hours: HoursShown,
 *     wanted: string,
 *     today: string,
 *     tests: list<FirstTest>,
 *     cables: list<CableCut>,
 * }
 */
final readonly class ProgressController
{
    public function __construct(private HoursSpent $hours)
    {
    }

    /** @return Answer<ProgressPage> */
    public function show(StoredInstallation $stored, Container $container, RunsInGroups $groups): Answer
    {
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        $today = CarbonImmutable::now('UTC')->startOfDay();
        $standings = KeptStandings::decided($stored, $loaded)->runs();
        $rows = $groups->of($stored, $loaded);
        $workshop = StockCodec::workshop(Fields::from($stored->workshop, 'workshop', new Problems()));
        $wanted = array_intersect_key($standings, $rows);

        return new Answer([
            'stages' => array_column(Stage::cases(), 'value'),
            'made' => count(array_filter($wanted, self::isMade(...))),
            'failed' => count(
                array_filter($wanted, static fn (RunStanding $run): bool => $run->in(BeadState::Failed) !== []),
            ),
            'groups' => ProgressResource::groups($rows, $standings),
            'people' => array_map(
                static fn (array $person): array => ['stages' => new Map($person['stages'])] + $person,
                ByHands::counts($stored),
            ),
            'hours' => $this->hours->of($stored, $today),
            'wanted' => $workshop->wanted,
            'today' => $today->format('Y-m-d'),
            'tests' => FirstTests::counts($stored),
            'cables' => ProgressResource::cables($rows, $standings),
        ]);
    }

    /**
     * What is gone since is not among them.
     *
     * @return Answer<array{runs: list<array{id: string, code: string}>}> in the order of their codes
     */
    public function behind(#[Query(RunsBehind::class)] RunsBehind $asked, StoredInstallation $stored): Answer
    {
        $runs = match ($asked->of) {
            BehindWhat::Hands => ByHands::runs($stored, $asked->person, self::stage(Stage::class, $asked->stage)),
            BehindWhat::FirstTests => FirstTests::failed($stored, self::stage(TestStage::class, $asked->stage)),
        };
        $codes = $stored->runs()->toBase()->reorder()->whereIn('key', $runs)->pluck('code', 'key')->all();
        $shown = [];
        foreach ($codes as $key => $code) {
            $shown[] = ['id' => (string) $key, 'code' => is_string($code) ? $code : ''];
        }
        usort($shown, static fn (array $a, array $b): int => strnatcasecmp($a['code'], $b['code']));

        return new Answer(['runs' => $shown]);
    }

    private static function isMade(RunStanding $run): bool
    {
        return $run->isDone(Stage::EndA) && $run->isDone(Stage::EndB);
    }

    /**
     * @template T of BackedEnum
     *
     * @param  class-string<T>  $of
     * @return T
     */
    private static function stage(string $of, string $stage): BackedEnum
    {
        return $of::tryFrom($stage) ?? throw BadLine::because('stage', $stage, sprintf(
            'Write one of: %s.',
            implode(', ', array_map(static fn (BackedEnum $case): string => (string) $case->value, $of::cases())),
        ));
    }
}
