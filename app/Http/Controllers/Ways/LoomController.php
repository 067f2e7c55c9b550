<?php

declare(strict_types=1);

namespace App\Http\Controllers\Ways;

use App\Changes\Author;
use App\Changes\Foresight;
use App\Changes\LoomDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Documents\Drawing\LengthText;
use App\Documents\Drawing\PdfCanvas;
use App\Documents\FormboardDrawing;
use App\Formats\Csv\CsvWriter;
use App\Http\Requests\Ends\UnitsAsked;
use App\Http\Requests\Given\PartPreview;
use App\Http\Requests\Ways\NewLoom;
use App\Http\Resources\Ways\LoomResource;
use App\Http\Resources\Ways\ReroutedResource;
use App\Http\Resources\Work\ReplannedResource;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Planning\Uncollected;
use Illuminate\Http\Response;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Covering;
use Sartal\Core\Ways\Dressing\LoomDress;

/**
 * Looms to scale.
 *
 * @phpstan-import-type FigureShown from PlanEncoder
 * @phpstan-import-type FindingShown from PlanEncoder
 * @phpstan-import-type LoomPage from LoomResource
 * @phpstan-import-type ReroutedShown from ReroutedResource
 * @phpstan-import-type ReplannedShown from ReplannedResource
 *
 * @phpstan-type LoomLine array{
 *     id: string,
 *     name: string,
 *     covering: value-of<Covering>,
 *     members: int,
 *     root: string,
 *     segments: int,
 *     thickest: FigureShown|null,
 *     mass: float,
 *     findings: list<FindingShown>,
 * }
 * @phpstan-type LoomAhead array{loom: LoomPage, rerouted: ReroutedShown, replanned: ReplannedShown}
 */
final readonly class LoomController
{
    /** @return Answer<array{id: string}> */
    public function store(
        #[Body(NewLoom::class)] NewLoom $sent,
        StoredInstallation $stored,
        Author $author,
        LoomDesk $desk,
    ): Answer {
        $versions = [];
        foreach ($sent->runs as $run) {
            $versions[$run->id] = $run->version;
        }

        return new Answer(['id' => $desk->make($stored, $author, $sent->part, $versions)], 201);
    }

    /**
     * @return Answer<array{looms: list<LoomLine>}>
     */
    public function index(StoredInstallation $stored, Loaded $loaded): Answer
    {
        $dresser = $loaded->dresser();
        $looms = [];
        foreach ($loaded->plan()->layout->looms as $id => $shape) {
            $dress = Uncollected::run(static fn (): LoomDress => $dresser->dress($shape));
            $thickest = null;
            $mass = 0.0;
            foreach ($dress->segments as $segment) {
                $mass += $segment->mass->value;
                $thickest =
                    $thickest === null || $segment->packing->diameter > $thickest->packing->diameter
                        ? $segment
                        : $thickest;
            }
            $looms[] = [
                'id' => (string) $id,
                'name' => $shape->loom->name,
                'covering' => $shape->loom->covering->value,
                'members' => count($shape->members),
                'root' => $shape->root === '' ? '' : $loaded->installation->placeName($shape->root),
                'segments' => count($shape->segments),
                'thickest' => $thickest === null ? null : PlanEncoder::figure($thickest->diameter),
                'mass' => round($mass, 2),
                'findings' => array_map(PlanEncoder::finding(...), $dress->findings),
            ];
        }

        return new Answer(['looms' => $looms]);
    }

    /** @return Answer<LoomPage> */
    public function show(StoredInstallation $stored, Loaded $loaded, string $id): Answer
    {
        return new Answer(LoomResource::of(self::dress($loaded, $id), $loaded, self::version($stored, $id)));
    }

    /**
     * The loom with a branch moved or another covering, and what that does to cuts and reels. Saves nothing.
     *
     * @return Answer<LoomAhead>
     */
    public function preview(
        #[Body(PartPreview::class)] PartPreview $sent,
        StoredInstallation $stored,
        Loaded $loaded,
        Foresight $foresight,
        string $id,
    ): Answer {
        $loom = Decided::canonical(DecisionKind::Loom, $sent->part);
        abort_unless(
            $loom['id'] === $id && isset($loaded->installation->looms()[$id]),
            404,
            'There is no such loom here.',
        );
        $then = $foresight->ahead($loaded, [new Edit(DecisionKind::Loom, $id, $loom)]);

        return new Answer([
            'loom' => LoomResource::of(self::dress($then, $id), $then, self::version($stored, $id)),
            'rerouted' => ReroutedResource::of($foresight->rerouted($loaded, $then)),
            'replanned' => ReplannedResource::between($loaded, $then),
        ]);
    }

    public function formboard(#[Query(UnitsAsked::class)] UnitsAsked $asked, Loaded $loaded, string $id): Response
    {
        $dress = self::dress($loaded, $id);
        $canvas = new PdfCanvas(
            'Formboard '.$dress->shape->loom->name,
            FormboardDrawing::WIDTH,
            FormboardDrawing::HEIGHT,
        );
        FormboardDrawing::draw($canvas, $dress, $loaded->installation, $asked->units);

        return self::file($canvas->bytes(), 'application/pdf', $id.'-formboard.pdf');
    }

    /** The same as a table: what is at which distance from the root. */
    public function offsets(#[Query(UnitsAsked::class)] UnitsAsked $asked, Loaded $loaded, string $id): Response
    {
        $rows = [];
        foreach (FormboardDrawing::offsets(self::dress($loaded, $id), $loaded->installation, $asked->units) as $row) {
            $rows[] = [
                $asked->units->isMetric()
                    ? sprintf('%.3f', $row['at']->inMetres())
                    : LengthText::long($row['at'], $asked->units),
                $row['what'],
                $row['where'],
                $row['who'],
            ];
        }

        return self::file(
            CsvWriter::write(
                [$asked->units->isMetric() ? 'from root, m' : 'from root', 'what', 'where', 'members'],
                $rows,
            ),
            'text/csv; charset=UTF-8',
            $id.'-offsets.csv',
        );
    }

    private static function dress(Loaded $loaded, string $id): LoomDress
    {
        $shape =
            $loaded->plan()->layout->looms[$id] ?? abort(404, 'There is no such loom here. It may have been removed.');

        return Uncollected::run(static fn (): LoomDress => $loaded->dresser()->dress($shape));
    }

    private static function version(StoredInstallation $stored, string $id): int
    {
        return (int) $stored->entries()->where('kind', 'loom')->where('key', $id)->value('version');
    }

    private static function file(string $bytes, string $type, string $name): Response
    {
        return new Response($bytes, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => sprintf('inline; filename="%s"', preg_replace('~[^A-Za-z0-9._-]~', '-', $name)),
            'Cache-Control' => 'private, no-store',
        ]);
    }
}
