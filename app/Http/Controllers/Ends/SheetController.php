<?php

declare(strict_types=1);

namespace App\Http\Controllers\Ends;

use App\Contract\Answer;
use App\Contract\Query;
use App\Documents\Drawing\EndPicture;
use App\Documents\Drawing\PdfCanvas;
use App\Documents\Drawing\SvgCanvas;
use App\Documents\Drawing\View;
use App\Documents\SheetDrawing;
use App\Http\Controllers\Addressed;
use App\Http\Requests\Ends\Facing;
use App\Http\Requests\Ends\SheetAsked;
use App\Http\Resources\Ends\SheetResource;
use App\Planning\Loaded;
use Illuminate\Http\Response;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Work\Bench\EndSheet;
use Sartal\Core\Work\Bench\EndSheets;
use Sartal\Core\Work\Bench\SheetLeg;

/**
 * The sheet at the vice: on screen, as SVG and as PDF.
 *
 * @phpstan-import-type Sheet from SheetResource
 */
final class SheetController
{
    /** Width of the picture of an end, mm. */
    private const PICTURE = 132.0;

    /** @return Answer<array{sheet: Sheet, other: Sheet}> */
    public function show(Loaded $loaded, string $id, string $side): Answer
    {
        $sheet = self::sheet($loaded, $id, Addressed::side($side));

        return new Answer([
            'sheet' => SheetResource::of($sheet, $loaded),
            'other' => SheetResource::of(self::sheet($loaded, $id, $sheet->side->other()), $loaded),
        ]);
    }

    public function pdf(
        #[Query(SheetAsked::class)] SheetAsked $asked,
        Loaded $loaded,
        string $id,
        string $side,
    ): Response {
        $sheet = self::sheet($loaded, $id, Addressed::side($side));
        $canvas = new PdfCanvas(
            $sheet->run->code.' end '.$sheet->side->value,
            SheetDrawing::WIDTH,
            SheetDrawing::HEIGHT,
        );
        SheetDrawing::draw(
            $canvas,
            $sheet,
            self::sheet($loaded, $id, $sheet->side->other()),
            self::view($asked),
            $loaded->installation->name,
        );

        return self::file($canvas->bytes(), 'application/pdf', $sheet, 'pdf');
    }

    public function svg(
        #[Query(SheetAsked::class)] SheetAsked $asked,
        Loaded $loaded,
        string $id,
        string $side,
    ): Response {
        $sheet = self::sheet($loaded, $id, Addressed::side($side));
        $canvas = new SvgCanvas(SheetDrawing::WIDTH, SheetDrawing::HEIGHT);
        SheetDrawing::draw(
            $canvas,
            $sheet,
            self::sheet($loaded, $id, $sheet->side->other()),
            self::view($asked),
            $loaded->installation->name,
        );
        abort_if($asked->page > $canvas->pages(), 404, sprintf('This sheet has %d pages.', $canvas->pages()));

        return self::file($canvas->page($asked->page), 'image/svg+xml', $sheet, 'svg');
    }

    /** An end to scale, after a step of its procedure. */
    public function strip(
        #[Query(SheetAsked::class)] SheetAsked $asked,
        Loaded $loaded,
        string $id,
        string $side,
    ): Response {
        $sheet = self::sheet($loaded, $id, Addressed::side($side));
        $opening = $asked->leg === '' && $asked->step !== '' ? $sheet->opened?->made->step($asked->step) : null;
        if ($opening !== null) {
            return self::picture($sheet, $opening);
        }
        $leg = self::leg($sheet, $asked) ?? abort(404, 'There is no such leg at this end. Load the page again.');
        $made = $leg->made?->step($asked->step) === null && $asked->step !== '' ? $leg->done : $leg->made ?? $leg->done;
        $step = $asked->step === ''
            ? $made->made->steps[max(0, $made->meets() - 1)] ?? null
            : $made->step($asked->step);

        return self::picture($sheet, $step ?? abort(404, 'There is no such step at this end. Load the page again.'));
    }

    private static function picture(EndSheet $sheet, StepMade $step): Response
    {
        $picture = new EndPicture($sheet->cable);
        $canvas = new SvgCanvas(self::PICTURE, $picture->height($step->after) + 4);
        $picture->on($canvas, $step, 3, 3, self::PICTURE - 6);

        return self::file($canvas->page(1), 'image/svg+xml', $sheet, 'strip.svg');
    }

    private static function leg(EndSheet $sheet, SheetAsked $asked): ?SheetLeg
    {
        foreach ($sheet->fittings as $fitting) {
            foreach ($fitting->legs as $leg) {
                if ($leg->leg->id === $asked->leg) {
                    return $leg;
                }
            }
        }

        return ($sheet->fittings[$asked->fitting] ?? null)?->legs[0];
    }

    private static function sheet(Loaded $loaded, string $id, Side $side): EndSheet
    {
        $run = Addressed::run($loaded, $id);

        return (new EndSheets($loaded->installation))->of($run, $side, $loaded->plan()->runs[$id]) ??
            abort(404, 'The cable type of this run is unknown, so there is no sheet.');
    }

    private static function view(SheetAsked $asked): View
    {
        return new View(
            $asked->view === Facing::Wiring,
            ((((int) round($asked->turn / 90) * 90) % 360) + 360) % 360,
            $asked->units,
        );
    }

    private static function file(string $bytes, string $type, EndSheet $sheet, string $suffix): Response
    {
        $name = preg_replace('~[^A-Za-z0-9._-]~', '-', $sheet->run->code.'-'.$sheet->side->value);

        return new Response($bytes, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => sprintf('inline; filename="%s.%s"', $name, $suffix),
            'Cache-Control' => 'private, no-store',
        ]);
    }
}
