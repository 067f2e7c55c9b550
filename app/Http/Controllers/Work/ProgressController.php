<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Bench\HoursSpent;
use App\Contract\Answer;
use App\Contract\Map;
use App\Http\Resources\Work\ProgressResource;
use App\Models\StoredInstallation;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\RunsInGroups;
use App\Recording\ByHands;
use App\Testing\FirstTests;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Container\Container;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\File\StockCodec;
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
 *     groups: GroupsShown,
 *     people: list<array{name: string, stages: Map<int>}>,
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
    public function __invoke(StoredInstallation $stored, Container $container, RunsInGroups $groups): Answer
    {
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        $today = CarbonImmutable::now('UTC')->startOfDay();
        $standings = KeptStandings::decided($stored, $loaded)->runs();
        $rows = $groups->of($stored, $loaded);
        $workshop = StockCodec::workshop(Fields::from($stored->workshop, 'workshop', new Problems()));

        return new Answer([
            'stages' => array_column(Stage::cases(), 'value'),
            'groups' => ProgressResource::groups($rows, $standings),
            'people' => self::people($stored),
            'hours' => $this->hours->of($stored, $today),
            'wanted' => $workshop->wanted,
            'today' => $today->format('Y-m-d'),
            'tests' => FirstTests::of($stored),
            'cables' => ProgressResource::cables($rows, $standings),
        ]);
    }

    /** @return list<array{name: string, stages: Map<int>}> who recorded anything, whoever is at work now */
    private static function people(StoredInstallation $stored): array
    {
        $hands = ByHands::of($stored);
        $names = DB::table('users')->whereIn('id', array_keys($hands))->pluck('name', 'id')->all();
        $people = [];
        foreach ($hands as $row => $stages) {
            $name = $names[$row] ?? '';
            $people[] = ['name' => is_string($name) ? $name : '', 'stages' => new Map($stages)];
        }
        usort($people, static fn (array $a, array $b): int => strnatcasecmp($a['name'], $b['name']));

        return $people;
    }
}
