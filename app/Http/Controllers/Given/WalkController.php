<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\WayDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Http\Requests\Given\WalkAsked;
use App\Http\Requests\Given\WayMeasured;
use App\Http\Resources\Ways\ReroutedResource;
use App\Http\Resources\Ways\WalkResource;
use App\Models\StoredInstallation;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Near;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Ways\Routing\ToMeasure;

/**
 * What is to be measured in the building before cable is cut by it, in the order of a walk.
 *
 * @phpstan-import-type ReroutedShown from ReroutedResource
 * @phpstan-import-type WalkShown from WalkResource
 */
final readonly class WalkController
{
    /** @return Answer<WalkShown> */
    public function show(
        #[Query(WalkAsked::class)] WalkAsked $asked,
        StoredInstallation $stored,
        Near $near,
    ): Answer {
        // Ways and places alone: which run lies where is on cards.
        $in = $near->runs($stored, [])->installation;
        $standings = KeptStandings::decided($stored, static fn (): Loaded => $near->whole($stored))->runs();
        $runs = [];
        foreach ($near->inWays($stored) as $run => $lies) {
            $standing = $standings[$run] ?? null;
            if ($standing !== null && ! $standing->withdrawn) {
                $runs[] = $lies + ['isCut' => $standing->isDone(Stage::Cut)];
            }
        }
        $versions = $stored->entries()->where('kind', 'way')->pluck('version', 'key')->all();

        return new Answer(
            WalkResource::of(
                $in,
                ToMeasure::among($in->ways(), $runs),
                array_filter($versions, is_int(...)),
                $asked->from,
            ),
        );
    }

    /**
     * Whoever walks there measures: that it is so long, and that somebody knows it.
     *
     * @return Answer<array{saved: true, rerouted: ReroutedShown}>
     */
    public function measured(
        #[Body(WayMeasured::class)] WayMeasured $sent,
        StoredInstallation $stored,
        Author $author,
        WayDesk $desk,
        string $id,
    ): Answer {
        $written = $desk->measured($stored, $author, $id, $sent->length, $sent->version);

        return new Answer(['saved' => true, 'rerouted' => ReroutedResource::of($written->rerouted())]);
    }
}
