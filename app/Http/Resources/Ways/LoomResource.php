<?php

declare(strict_types=1);

namespace App\Http\Resources\Ways;

use App\Contract\FileParts;
use App\Planning\Loaded;
use Sartal\Core\File\LoomCodec;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Ways\Dressing\LoomDress;
use Sartal\Core\Ways\Dressing\SegmentDress;
use Sartal\Core\Ways\Dressing\SleevePiece;
use Sartal\Core\Ways\Looming\BranchPlace;
use Sartal\Core\Ways\Looming\LoomEnd;

/**
 * A loom to scale: its segments as the bench makes them up, where branches leave, what each member is cut to.
 *
 * @phpstan-import-type FileLoom from FileParts
 * @phpstan-import-type FindingShown from PlanEncoder
 * @phpstan-import-type FigureShown from PlanEncoder
 * @phpstan-import-type WorkedOut from PlanEncoder
 *
 * @phpstan-type LoomPage array{
 *     part: FileLoom,
 *     version: int,
 *     root: string,
 *     rootName: string,
 *     segments: list<LoomSegment>,
 *     branches: list<array{
 *         at: string,
 *         atName: string,
 *         into: string,
 *         intoName: string,
 *         junction: string,
 *         by: string,
 *         least: string,
 *         most: string,
 *         members: list<string>,
 *     }>,
 *     ends: list<array{
 *         code: string,
 *         side: value-of<Side>,
 *         place: string,
 *         after: string|null,
 *         start: string,
 *         beside: string,
 *     }>,
 *     members: list<LoomMember>,
 *     findings: list<FindingShown>,
 * }
 * @phpstan-type LoomSegment array{
 *     id: string,
 *     before: string|null,
 *     lane: int,
 *     beside: bool,
 *     way: string,
 *     wayName: string,
 *     wayLength: string,
 *     from: string,
 *     to: string,
 *     start: string,
 *     end: string,
 *     length: string,
 *     members: list<string>,
 *     circles: list<array{x: float, y: float, r: float, sheath: string, code: string}>,
 *     diameter: FigureShown,
 *     bend: FigureShown,
 *     mass: FigureShown,
 *     sleeve: LoomPiece|null,
 *     shrinks: list<LoomPiece>,
 *     tie: string,
 *     points: list<string>,
 * }
 * @phpstan-type LoomPiece array{name: string, for: string, cut: WorkedOut}
 * @phpstan-type LoomMember array{id: string, code: string, cable: string, sheath: string, cut: WorkedOut}
 */
final class LoomResource
{
    /** @return LoomPage */
    public static function of(LoomDress $dress, Loaded $loaded, int $version): array
    {
        $shape = $dress->shape;
        $in = $loaded->installation;

        return [
            'part' => LoomCodec::encode($shape->loom),
            'version' => $version,
            'root' => $shape->root,
            'rootName' => $shape->root === '' ? '' : $in->placeName($shape->root),
            'segments' => array_map(
                static fn (SegmentDress $segment): array => self::segment(
                    $segment,
                    $dress->lanes[$segment->segment->id] ?? 0,
                    $loaded,
                ),
                $dress->segments,
            ),
            'branches' => array_map(
                static fn (BranchPlace $branch): array => [
                    'at' => $branch->at,
                    'atName' => $in->placeName($branch->at),
                    'into' => $branch->into,
                    'intoName' => $branch->into === ''
                        ? 'ends here'
                        : $in->ways()[$branch->into]->name ?? $branch->into,
                    'junction' => $branch->junction->canonical(),
                    'by' => $branch->by->canonical(),
                    'least' => $branch->least->canonical(),
                    'most' => $branch->most->canonical(),
                    'members' => self::codes($branch->members, $loaded),
                ],
                $shape->branches,
            ),
            'ends' => array_map(
                static fn (LoomEnd $end): array => [
                    'code' => $in->runs()[$end->run]->code,
                    'side' => $end->side->value,
                    'place' => $in->placeName($end->place),
                    'after' => $end->after,
                    'start' => $end->start->canonical(),
                    'beside' => $end->beside->canonical(),
                ],
                $shape->ends,
            ),
            'members' => array_map(static fn (string $run): array => self::member($run, $loaded), $shape->members),
            'findings' => array_map(PlanEncoder::finding(...), $dress->findings),
        ];
    }

    /** @return LoomSegment */
    private static function segment(SegmentDress $dress, int $lane, Loaded $loaded): array
    {
        $segment = $dress->segment;
        $circles = [];
        foreach ($dress->packing->circles as $i => $circle) {
            $circles[] = [
                'x' => round($circle->x, 3),
                'y' => round($circle->y, 3),
                'r' => round($circle->r, 3),
                'sheath' => $dress->cables[$i]->sheath,
                'code' => $loaded->installation->runs()[$dress->runs[$i]]->code,
            ];
        }

        return [
            'id' => $segment->id,
            'before' => $segment->before,
            'lane' => $lane,
            'beside' => $segment->beside,
            'way' => $segment->way->id,
            'wayName' => $segment->way->name,
            'wayLength' => $segment->way->length->canonical(),
            'from' => $segment->from->canonical(),
            'to' => $segment->to->canonical(),
            'start' => $segment->start->canonical(),
            'end' => $segment->end()->canonical(),
            'length' => $segment->length()->canonical(),
            'members' => self::codes($segment->members, $loaded),
            'circles' => $circles,
            'diameter' => PlanEncoder::figure($dress->diameter),
            'bend' => PlanEncoder::figure($dress->bend),
            'mass' => PlanEncoder::figure($dress->mass),
            'sleeve' => $dress->sleeve === null ? null : self::piece($dress->sleeve),
            'shrinks' => array_map(self::piece(...), $dress->shrinks),
            'tie' => $dress->tie->name ?? '',
            'points' => array_map(static fn (Length $point): string => $point->canonical(), $dress->points),
        ];
    }

    /** @return LoomPiece */
    private static function piece(SleevePiece $piece): array
    {
        return ['name' => $piece->part->name, 'for' => $piece->for, 'cut' => PlanEncoder::worked($piece->cut)];
    }

    /** @return LoomMember */
    private static function member(string $id, Loaded $loaded): array
    {
        $run = $loaded->installation->runs()[$id];
        $cable = $loaded->installation->catalogue->cables()[$run->cable] ?? null;

        return [
            'id' => $id,
            'code' => $run->code,
            'cable' => $cable->name ?? $run->cable,
            'sheath' => $cable->sheath ?? '',
            'cut' => PlanEncoder::worked($loaded->plan()->runs[$id]->cut),
        ];
    }

    /**
     * @param  list<string>  $runs
     * @return list<string>
     */
    private static function codes(array $runs, Loaded $loaded): array
    {
        return array_map(static fn (string $run): string => $loaded->installation->runs()[$run]->code, $runs);
    }
}
