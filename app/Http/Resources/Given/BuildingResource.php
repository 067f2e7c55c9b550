<?php

declare(strict_types=1);

namespace App\Http\Resources\Given;

use App\Contract\FileParts;
use App\Contract\Map;
use App\Planning\Loaded;
use Sartal\Core\File\BuildingCodec;
use Sartal\Core\File\PanelCodec;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Junction;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Ways\Looming\Tail;
use Sartal\Core\Ways\Routing\BendRule;
use Sartal\Core\Ways\Routing\FillRule;
use Sartal\Core\Ways\Routing\Route;
use Sartal\Core\Ways\Routing\WayLoad;

/**
 * The building as it is drawn: places, ways and what lies in them, panels.
 *
 * @phpstan-import-type FileLocation from FileParts
 * @phpstan-import-type FileJunction from FileParts
 * @phpstan-import-type FindingShown from PlanEncoder
 * @phpstan-import-type FileWay from FileParts
 * @phpstan-import-type FigureShown from PlanEncoder
 * @phpstan-import-type FilePanel from FileParts
 * @phpstan-import-type WorkedOut from PlanEncoder
 *
 * @phpstan-type Building array{
 *     locations: list<array{part: FileLocation, version: int, ends: int}>,
 *     junctions: list<array{part: FileJunction, version: int}>,
 *     ways: list<BuildingWay>,
 *     panels: list<BuildingPanel>,
 *     routes: Map<list<string>>,
 *     fittings: Map<list<array{id: string, label: string}>>,
 *     findings: list<FindingShown>,
 * }
 * @phpstan-type BuildingWay array{
 *     part: FileWay,
 *     version: int,
 *     runs: list<array{id: string, code: string, pinned: bool}>,
 *     families: Map<int>,
 *     fill: FigureShown|null,
 *     rule: FillLimit|null,
 *     jam: FigureShown|null,
 *     bend: FigureShown|null,
 *     mass: FigureShown|null,
 *     findings: list<FindingShown>,
 * }
 * @phpstan-type FillLimit array{design: float, most: float, source: string}
 * @phpstan-type BuildingPanel array{
 *     part: FilePanel,
 *     version: int,
 *     tails: list<array{place: string, order: int, fitting: string, tail: WorkedOut}>,
 *     climb: array{detail: string, amount: string, source: string}|null,
 * }
 */
final class BuildingResource
{
    /**
     * @param  array<int|string, int>  $versions  "kind id" → version
     * @param  bool  $brief  without fittings
     * @return Building
     */
    public static function of(Loaded $loaded, array $versions, bool $brief): array
    {
        $in = $loaded->installation;
        $plan = $loaded->plan();
        $ends = [];
        foreach ($in->runs() as $run) {
            foreach ($run->withdrawn ? [] : array_unique([$run->a->location, $run->b->location]) as $place) {
                $ends[$place] = ($ends[$place] ?? 0) + 1;
            }
        }

        return [
            'locations' => array_map(
                static fn (Location $each): array => [
                    'part' => BuildingCodec::encodeLocation($each),
                    'version' => $versions['location '.$each->id] ?? 0,
                    'ends' => $ends[$each->id] ?? 0,
                ],
                array_values($in->locations()),
            ),
            'junctions' => array_map(
                static fn (Junction $each): array => [
                    'part' => BuildingCodec::encodeJunction($each),
                    'version' => $versions['junction '.$each->id] ?? 0,
                ],
                array_values($in->junctions()),
            ),
            'ways' => array_map(
                static fn (Way $way): array => self::way(
                    $way,
                    $plan->ways->of($way->id),
                    $loaded,
                    $versions['way '.$way->id] ?? 0,
                ),
                array_values($in->ways()),
            ),
            'panels' => array_map(
                static fn (Panel $panel): array => self::panel($panel, $in, $versions['tail-panel '.$panel->id] ?? 0),
                array_values($in->panels()),
            ),
            'routes' => new Map(array_map(static fn (Route $route): array => $route->ways(), $plan->layout->routes)),
            'fittings' => new Map($brief ? [] : self::fittings($in)),
            'findings' => array_map(
                PlanEncoder::finding(...),
                array_values(
                    array_filter(
                        $plan->findings(),
                        static fn ($finding): bool => preg_match('~^(?:way|route|panel)\.~', $finding->code) === 1,
                    ),
                ),
            ),
        ];
    }

    /** @return list<array{id: string, label: string}> */
    public static function fittingsAt(Installation $in, string $location): array
    {
        $there = [];
        foreach ($in->fittings() as $fitting) {
            if ($fitting->location === $location) {
                $there[] = ['id' => $fitting->id, 'label' => $fitting->label];
            }
        }

        return $there;
    }

    /** @return BuildingWay */
    private static function way(Way $way, WayLoad $load, Loaded $loaded, int $version): array
    {
        return [
            'part' => BuildingCodec::encodeWay($way),
            'version' => $version,
            'runs' => array_map(
                static fn (string $run): array => [
                    'id' => $run,
                    'code' => $loaded->installation->runs()[$run]->code,
                    'pinned' => $loaded->installation->runs()[$run]->ways !== [],
                ],
                $load->runs,
            ),
            'families' => new Map($load->families),
            'fill' => $load->fill === null ? null : PlanEncoder::figure($load->fill),
            'rule' => $load->rule === null ? null : self::rule($load->rule),
            'jam' => $load->jam === null ? null : PlanEncoder::figure($load->jam),
            'bend' => $load->cables === []
                ? null
                : PlanEncoder::figure(BendRule::among($load->cables)),
            'mass' => PlanEncoder::figure($load->mass),
            'findings' => array_map(
                PlanEncoder::finding(...),
                $loaded->plan()->judgedOn(Subject::way($way->id)),
            ),
        ];
    }

    /** @return FillLimit */
    private static function rule(FillRule $rule): array
    {
        return ['design' => $rule->design, 'most' => $rule->most, 'source' => $rule->source];
    }

    /** @return BuildingPanel */
    private static function panel(Panel $panel, Installation $in, int $version): array
    {
        $tails = [];
        foreach (Tail::order($panel) as $i => [$row, $column]) {
            $place = $row.'-'.$column;
            $fitting = $panel->places[$place] ?? '';
            $tails[] = [
                'place' => $place,
                'order' => $i + 1,
                'fitting' => $in->fittings()[$fitting]->label ?? $fitting,
                'tail' => PlanEncoder::worked(Tail::to($panel, $row, $column)),
            ];
        }
        $climb = Tail::climb($panel, $in);

        return [
            'part' => PanelCodec::encode($panel),
            'version' => $version,
            'tails' => $tails,
            'climb' => $climb === null
                    ? null
                    : ['detail' => $climb->detail, 'amount' => $climb->amount->canonical(), 'source' => $climb->source],
        ];
    }

    /** @return array<int|string, list<array{id: string, label: string}>> location → fittings there */
    private static function fittings(Installation $in): array
    {
        $there = [];
        foreach ($in->fittings() as $fitting) {
            $there[$fitting->location][] = ['id' => $fitting->id, 'label' => $fitting->label];
        }

        return $there;
    }
}
