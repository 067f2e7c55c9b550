<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Contract\Answer;
use App\Contract\Query;
use App\Documents\CutListDrawing;
use App\Documents\Drawing\PdfCanvas;
use App\Http\Requests\Ends\UnitsAsked;
use App\Http\Resources\Work\CuttingResource;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptCuts;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Recorded;
use App\Planning\Touched;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Response;
use Sartal\Core\File\DecisionKind;

/**
 * What comes off which reel.
 *
 * @phpstan-import-type Cutting from CuttingResource
 */
final readonly class CuttingController
{
    /** @return Answer<Cutting> */
    public function show(StoredInstallation $stored, Container $container): Answer
    {
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        $standings = KeptStandings::atWork($stored, $loaded)->all();
        $cutting = Kept::once(
            $stored,
            'cutting',
            Kept::state(
                $stored->edition(),
                $stored->decisions,
                implode('.', Touched::stock($stored)),
                (string) json_encode($stored->names()),
            ),
            static fn (): array => CuttingResource::of(
                KeptCuts::atWork($stored, $loaded),
                Recorded::stock($stored),
                self::versions($stored),
                $stored->names(),
            ),
        );

        return new Answer(CuttingResource::standing($cutting, $standings));
    }

    /** @return array<int|string, int> of reels */
    private static function versions(StoredInstallation $stored): array
    {
        $versions = [];
        $reels = $stored->entries()->toBase()->where('kind', DecisionKind::Reel->value);
        foreach ($reels->get(['key', 'version']) as $reel) {
            $versions[(string) $reel->key] = (int) $reel->version;
        }

        return $versions;
    }

    public function pdf(#[Query(UnitsAsked::class)] UnitsAsked $asked, Loaded $loaded): Response
    {
        $canvas = new PdfCanvas('Cut list', CutListDrawing::WIDTH, CutListDrawing::HEIGHT);
        CutListDrawing::draw($canvas, $loaded->cutPlan(), $loaded->installation, $asked->units);

        return new Response($canvas->bytes(), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'inline; filename="cut-list.pdf"',
            'Cache-Control' => 'private, no-store',
        ]);
    }
}
