<?php

declare(strict_types=1);

namespace App\Http\Resources\Work;

use App\Contract\Map;
use App\Http\Resources\Plan\ScheduleResource;
use App\Planning\Loaded;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Later\Handover\AssemblyStanding;
use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Ways\Routing\Cargo;
use Sartal\Core\Work\Pulling\Pull;
use Sartal\Core\Work\Pulling\PullPlanner;
use Sartal\Core\Work\Pulling\SiteState;
use Sartal\Core\Work\Pulling\SiteStep;

/**
 * What an installer takes along: pulls in their order, and every cable with what is left to do.
 *
 * @phpstan-import-type FigureShown from PlanEncoder
 * @phpstan-import-type WorkedOut from PlanEncoder
 * @phpstan-import-type BeadShown from PlanEncoder
 *
 * @phpstan-type Site array{
 *     cursor: string,
 *     pulls: list<SitePull>,
 *     unplaced: list<string>,
 *     runs: Map<SiteRun>,
 *     ways: list<array{id: string, name: string}>,
 *     steps: list<array{
 *         id: value-of<SiteStep>,
 *         words: string,
 *         said: string,
 *         kind: value-of<EventKind>,
 *         side: value-of<Side>|null,
 *     }>,
 * }
 * @phpstan-type Pulling array{
 *     pulls: list<SitePull>,
 *     unplaced: list<string>,
 *     ways: list<array{id: string, name: string}>,
 *     steps: list<array{
 *         id: value-of<SiteStep>,
 *         words: string,
 *         said: string,
 *         kind: value-of<EventKind>,
 *         side: value-of<Side>|null,
 *     }>,
 * }
 * @phpstan-type SitePull array{
 *     id: string,
 *     mains: bool,
 *     from: string,
 *     to: string,
 *     ways: list<array{id: string, name: string, kind: value-of<WayKind>, length: string}>,
 *     runs: list<string>,
 *     length: string,
 *     tension: FigureShown,
 *     bend: FigureShown,
 *     stops: list<string>,
 *     leads: Map<string>,
 *     hindrances: list<string>,
 * }
 * @phpstan-type SiteRun array{
 *     id: string,
 *     basis: list<string>,
 *     code: string,
 *     cable: string,
 *     mains: bool,
 *     build: value-of<Build>,
 *     from: string,
 *     to: string,
 *     ends: array{A: string, B: string},
 *     cut: WorkedOut,
 *     ways: list<string>,
 *     steps: Map<value-of<BeadState>>,
 *     strand: list<BeadShown>,
 *     ready: bool,
 *     built: array{length: string|null, ways: list<string>|null, difference: string|null}|null,
 * }
 */
final class SiteResource
{
    /** @return Pulling what follows from decisions about all runs together */
    public static function pulling(Loaded $loaded): array
    {
        $in = $loaded->installation;
        $planned = (new PullPlanner($in, $loaded->plan()))->pulls();
        $inPull = array_merge(...array_map(static fn (Pull $pull): array => $pull->runs, $planned), ...[[]]);
        $runs = array_map(static fn (Run $run): string => $run->id, array_filter($in->runs(), self::isPulled(...)));

        return [
            'pulls' => array_map(static fn (Pull $pull): array => self::pull($pull, $in), $planned),
            'unplaced' => array_values(array_diff($runs, $inPull)),
            'ways' => array_map(
                static fn ($way): array => ['id' => $way->id, 'name' => $way->name],
                array_values($in->ways()),
            ),
            'steps' => array_map(
                static fn (SiteStep $step): array => [
                    'id' => $step->value,
                    'words' => $step->words(),
                    'said' => $step->said(),
                    'kind' => $step->event()->value,
                    'side' => $step->side()?->value,
                ],
                SiteStep::cases(),
            ),
        ];
    }

    /**
     * What follows from decisions: nobody has recorded anything.
     *
     * @param  ?list<string>  $of  runs; null: all of them
     * @return array<int|string, SiteRun> by run
     */
    public static function runs(Loaded $loaded, ?array $of): array
    {
        $in = $loaded->installation;
        $runs = array_filter(
            $of === null ? $in->runs() : array_intersect_key($in->runs(), array_flip($of)),
            self::isPulled(...),
        );

        return array_map(static fn (Run $run): array => self::run($run, $loaded), $runs);
    }

    private static function isPulled(Run $run): bool
    {
        return ! $run->withdrawn && ! $run->isLoose();
    }

    /**
     * @param  array<int|string, SiteRun>  $decided  by run
     * @param  array<int|string, AssemblyStanding>  $standings  by assembly, of them at least
     * @return Map<SiteRun> with what was recorded
     */
    public static function standings(array $decided, array $standings): Map
    {
        $known = [];
        foreach ($standings as $standing) {
            foreach ($standing->runs as $id => $run) {
                $known[$id] = [$run, $standing->basis];
            }
        }
        $runs = [];
        foreach ($decided as $id => $run) {
            [$standing, $basis] =
                $known[$id] ??
                throw new \LogicException('Of a run that is decided it is known where it stands: '.$id);
            $runs[$id] = self::standing($run, $standing, $basis);
        }

        return new Map($runs);
    }

    /**
     * @param  SiteRun  $run
     * @param  list<string>  $basis  of its assembly
     * @return SiteRun
     */
    private static function standing(array $run, RunStanding $standing, array $basis): array
    {
        $built = $standing->site->built;

        return [
            ...$run,
            'basis' => $basis,
            'steps' => new Map(array_map(static fn (BeadState $bead): string => $bead->value, $standing->site->steps)),
            'strand' => PlanEncoder::strand($standing->strand),
            'ready' => SiteState::isReady(Build::from($run['build']), $standing->strand),
            'built' => $built === null
                    ? null
                    : [
                        'length' => $built->length?->canonical(),
                        'ways' => $built->ways,
                        'difference' => $standing->longer?->canonical(),
                    ],
        ];
    }

    /** @return SitePull */
    private static function pull(Pull $pull, Installation $in): array
    {
        return [
            'id' => $pull->id,
            'mains' => $pull->mains,
            'from' => $in->locationName($pull->from),
            'to' => $in->locationName($pull->to),
            'ways' => array_map(
                static fn (string $way): array => [
                    'id' => $way,
                    'name' => $in->ways()[$way]->name,
                    'kind' => $in->ways()[$way]->kind->value,
                    'length' => $in->ways()[$way]->length->canonical(),
                ],
                $pull->ways,
            ),
            'runs' => $pull->runs,
            'length' => $pull->length->canonical(),
            'tension' => PlanEncoder::figure($pull->tension),
            'bend' => PlanEncoder::figure($pull->bend),
            'stops' => $pull->stops,
            'leads' => new Map($pull->leads),
            'hindrances' => $pull->hindrances,
        ];
    }

    /** @return SiteRun */
    private static function run(Run $run, Loaded $loaded): array
    {
        $plan = $loaded->plan();
        $in = $loaded->installation;
        $cable = $in->catalogue->cables()[$run->cable] ?? null;

        return [
            'id' => $run->id,
            'basis' => [],
            'code' => $run->code,
            'cable' => $cable->name ?? $run->cable,
            'mains' => $cable !== null && Cargo::from($cable)->mains,
            'build' => $run->build->value,
            'from' => $in->locationName($run->a->location),
            'to' => $in->locationName($run->b->location),
            'ends' => ['A' => ScheduleResource::end($run->a, $loaded), 'B' => ScheduleResource::end($run->b, $loaded)],
            'cut' => PlanEncoder::worked($plan->runs[$run->id]->cut),
            'ways' => $plan->runs[$run->id]->lay->route->ways(),
            'steps' => new Map([]),
            'strand' => [],
            'ready' => false,
            'built' => null,
        ];
    }
}
