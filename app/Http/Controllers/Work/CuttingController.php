<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Contract\Answer;
use App\Contract\Query;
use App\Documents\CutListDrawing;
use App\Documents\Drawing\PdfCanvas;
use App\Http\Requests\Ends\System;
use App\Http\Requests\Ends\UnitsAsked;
use App\Http\Resources\Work\CuttingResource;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Illuminate\Http\Response;

/**
 * What comes off which reel.
 *
 * @phpstan-import-type Cutting from CuttingResource
 */
final readonly class CuttingController
{
    /** @return Answer<Cutting> */
    public function show(StoredInstallation $stored, Loaded $loaded): Answer
    {
        $versions = [];
        foreach (
            $stored
                ->entries()
                ->toBase()
                ->where('kind', 'reel')
                ->get(['key', 'version']) as $reel
        ) {
            $versions[(string) $reel->key] = (int) $reel->version;
        }

        return new Answer(CuttingResource::of($loaded, $versions));
    }

    public function pdf(#[Query(UnitsAsked::class)] UnitsAsked $asked, Loaded $loaded): Response
    {
        $canvas = new PdfCanvas('Cut list', CutListDrawing::WIDTH, CutListDrawing::HEIGHT);
        CutListDrawing::draw($canvas, $loaded->cutPlan(), $loaded->installation, $asked->units === System::Inch);

        return new Response($canvas->bytes(), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'inline; filename="cut-list.pdf"',
            'Cache-Control' => 'private, no-store',
        ]);
    }
}
