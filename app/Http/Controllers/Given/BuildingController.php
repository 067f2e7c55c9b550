<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\Decision;
use App\Changes\Foresight;
use App\Changes\MapDesk;
use App\Changes\Sound;
use App\Changes\WayDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Map;
use App\Contract\Query;
use App\Http\Requests\Given\BuildingAsked;
use App\Http\Requests\Given\MapTidied;
use App\Http\Requests\Given\PartPreview;
use App\Http\Requests\Given\PlaceMove;
use App\Http\Resources\Given\BuildingResource;
use App\Http\Resources\Ways\ReroutedResource;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Planning\Near;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Later\Changing\Leeway;
use Sartal\Core\Later\Changing\LeewayFinder;
use Sartal\Core\Later\Changing\Pieces;
use Sartal\Core\Later\Changing\Work;

/**
 * The building: the schematic map and what lies in its ways.
 *
 * @phpstan-import-type Building from BuildingResource
 * @phpstan-import-type WorkedOut from PlanEncoder
 * @phpstan-import-type ReroutedShown from ReroutedResource
 *
 * @phpstan-type LeewayShown array{
 *     way: string,
 *     name: string,
 *     run: string,
 *     code: string,
 *     before: string,
 *     atMost: string,
 *     margin: WorkedOut,
 * }
 */
final readonly class BuildingController
{
    /** @return Answer<Building> */
    public function show(
        #[Query(BuildingAsked::class)] BuildingAsked $asked,
        StoredInstallation $stored,
        Loaded $loaded,
    ): Answer {
        $versions = [];
        foreach (
            $stored
                ->entries()
                ->toBase()
                ->whereIn('kind', array_column(DecisionKind::shared(), 'value'))
                ->get(['kind', 'key', 'version']) as $part
        ) {
            $versions[$part->kind.' '.$part->key] = (int) $part->version;
        }

        return new Answer(BuildingResource::of($loaded, $versions, $asked->brief));
    }

    /** @return Answer<array{fittings: list<array{id: string, label: string}>}> at one place */
    public function fittings(Loaded $loaded, string $id): Answer
    {
        abort_unless(isset($loaded->installation->locations()[$id]), 404, 'There is no such place here.');

        return new Answer(['fittings' => BuildingResource::fittingsAt($loaded->installation, $id)]);
    }

    /**
     * How far a place may move before the first cable that is cut no longer reaches.
     *
     * @return Answer<array{lines: list<LeewayShown>, follow: int}>
     */
    public function leeway(Loaded $loaded, string $id): Answer
    {
        abort_unless(
            isset($loaded->installation->locations()[$id]) || isset($loaded->installation->junctions()[$id]),
            404,
            'There is no such place here.',
        );
        $work = new Work($loaded->installation, $loaded->plan(), $loaded->record);
        $lines = array_map(
            static fn (Leeway $line): array => [
                'way' => $line->way,
                'name' => $loaded->installation->ways()[$line->way]->name,
                'run' => $line->run,
                'code' => $line->code,
                'before' => $line->before->canonical(),
                'atMost' => $line->atMost->canonical(),
                'margin' => PlanEncoder::worked($line->margin),
            ],
            (new LeewayFinder($work, new Pieces($work)))->of($id),
        );
        $cut = array_column($lines, 'run');
        $follow = array_filter(
            $loaded->installation->runs(),
            static fn (Run $run): bool => ! $run->withdrawn &&
                ! in_array($run->id, $cut, true) &&
                ($run->a->location === $id || $run->b->location === $id),
        );

        return new Answer(['lines' => $lines, 'follow' => count($follow)]);
    }

    /**
     * Moves a place along the ways that lead to it: so much longer, or shorter, each. One change.
     *
     * @return Answer<array{saved: true, rerouted: ReroutedShown}>
     */
    public function move(
        #[Body(PlaceMove::class)] PlaceMove $sent,
        StoredInstallation $stored,
        Author $author,
        WayDesk $desk,
        string $id,
    ): Answer {
        $written = $desk->moved($stored, $author, $id, $sent->by);

        return new Answer(['saved' => true, 'rerouted' => ReroutedResource::of($written->rerouted())]);
    }

    /** @return Answer<array{saved: true, places: int, versions: Map<int>}> of all that were named */
    public function tidy(
        #[Body(MapTidied::class)] MapTidied $sent,
        StoredInstallation $stored,
        Author $author,
        MapDesk $desk,
    ): Answer {
        [$moved, $versions] = $desk->put($stored, $author, $sent->places);

        return new Answer(['saved' => true, 'places' => $moved, 'versions' => new Map($versions)]);
    }

    /**
     * What a way would do to the runs, before it is saved.
     *
     * @return Answer<ReroutedShown>
     */
    public function preview(
        #[Body(PartPreview::class)] PartPreview $sent,
        StoredInstallation $stored,
        Near $near,
        Author $author,
        Foresight $foresight,
    ): Answer {
        $way = Decided::canonical(DecisionKind::Way, $sent->part);
        $loaded = $near->runs($stored, []);
        Sound::check(DecisionKind::Way, $way, $loaded->installation);
        $id = is_string($way['id'] ?? null) ? $way['id'] : '';
        $edit = new Edit(DecisionKind::Way, $id, $way);

        return new Answer(
            ReroutedResource::of($foresight->reroutedBy(Decision::on($loaded, $author, 'looked at', [$edit]))),
        );
    }
}
