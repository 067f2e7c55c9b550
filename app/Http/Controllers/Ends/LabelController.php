<?php

declare(strict_types=1);

namespace App\Http\Controllers\Ends;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Changes\Foresight;
use App\Documents\Drawing\PdfCanvas;
use App\Documents\Drawing\SvgCanvas;
use App\Documents\LabelDrawing;
use App\Documents\LabelSheets;
use App\Formats\Csv\CsvWriter;
use App\Http\Resources\Ends\LabelResource;
use App\Labels\LabelStock;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Simulators\RollPrinter;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;
use Sartal\Core\Ends\Labelling\PrintedLabel;
use Sartal\Core\Ends\Labelling\SheetGeometry;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\LabelScheme;

/** Labels: what they say, on sheets, off a roll, as CSV, and which are printed. */
final readonly class LabelController
{
    public function __construct(private LabelStock $stock)
    {
    }

    public function index(StoredInstallation $stored, Loaded $loaded): JsonResponse
    {
        return response()->json([
            'labels' => LabelResource::lines($this->stock->of($loaded), $this->stock->printed($stored), $loaded),
            'scheme' => FileEncoder::rules($loaded->installation->rules())['labels'],
            'tokens' => LabelScheme::TOKENS,
            'version' => $stored->version,
            'geometries' => LabelResource::geometries(),
            'findings' => LabelResource::findings($loaded),
            'printer' => $this->printer($stored)->summary(),
        ]);
    }

    /** What a scheme would print, before it is saved. */
    public function preview(
        Request $request,
        StoredInstallation $stored,
        Loaded $loaded,
        Foresight $foresight,
    ): JsonResponse {
        $rules = FileEncoder::rules($loaded->installation->rules()->withLabels(self::scheme($request)));
        $then = $foresight->ahead($loaded, [new Edit(DecisionKind::Rules, $stored->key, $rules)]);

        return response()->json([
            'labels' => LabelResource::lines($this->stock->of($then), $this->stock->printed($stored), $then),
            'findings' => LabelResource::findings($then),
        ]);
    }

    public function save(
        Request $request,
        StoredInstallation $stored,
        Loaded $loaded,
        Author $author,
        ChangeLog $log,
    ): JsonResponse {
        $rules = FileEncoder::rules($loaded->installation->rules()->withLabels(self::scheme($request)));
        $edit = new Edit(DecisionKind::Rules, $stored->key, $rules, $request->integer('version'));
        $log->write(Decision::on($loaded, $author, 'Labels say something else', [$edit], part: 'labels'));

        return response()->json(['saved' => true]);
    }

    public function pdf(Request $request, StoredInstallation $stored, Loaded $loaded): Response
    {
        $geometry = self::geometry($request);
        $canvas = new PdfCanvas(
            $stored->name.', labels',
            $geometry->pageWidth->inMillimetres(),
            $geometry->pageHeight->inMillimetres(),
        );
        $this->onSheets($canvas, $request, $stored, $loaded, $geometry);

        return self::file($canvas->bytes(), 'application/pdf', 'labels.pdf');
    }

    public function svg(Request $request, StoredInstallation $stored, Loaded $loaded): Response
    {
        $geometry = self::geometry($request);
        $canvas = new SvgCanvas($geometry->pageWidth->inMillimetres(), $geometry->pageHeight->inMillimetres());
        $this->onSheets($canvas, $request, $stored, $loaded, $geometry);
        $page = max(1, $request->integer('page', 1));
        abort_if($page > $canvas->pages(), 404, sprintf('There are %d sheets.', $canvas->pages()));

        return self::file($canvas->page($page), 'image/svg+xml', 'labels.svg');
    }

    public function test(Request $request): Response
    {
        $geometry = self::geometry($request);
        $canvas = new PdfCanvas(
            $geometry->name,
            $geometry->pageWidth->inMillimetres(),
            $geometry->pageHeight->inMillimetres(),
        );
        LabelSheets::test($canvas, $geometry, self::shift($request));

        return self::file($canvas->bytes(), 'application/pdf', 'label-test-page.pdf');
    }

    public function csv(Request $request, StoredInstallation $stored, Loaded $loaded): Response
    {
        $rows = array_map(
            static fn (PrintedLabel $label): array => [
                $label->id,
                $label->face->form->value,
                $label->part,
                $label->marked->text ?? $label->code,
                $label->line,
                $label->marked->word ?? '',
                $label->marked->underlined ?? false ? 'underlined' : '',
                $label->colour,
                $label->place,
                $label->path === '' ? '' : self::address($stored).'/'.$label->path,
            ],
            $this->chosen($request, $stored, $loaded),
        );
        $csv = CsvWriter::write(
            ['id', 'kind', 'label', 'text', 'second line', 'in words', 'mark', 'colour', 'where', 'address'],
            $rows,
        );

        return self::file($csv, 'text/csv; charset=UTF-8', 'labels.csv');
    }

    public function mark(
        Request $request,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Loaded $loaded,
    ): JsonResponse {
        $data = $request->validate(
            ['ids' => 'required|array|max:20000', 'ids.*' => 'string|max:255'],
            ['ids.required' => 'Choose the labels that came out.'],
        );

        return response()->json([
            'marked' => $this->stock->mark($stored, $user, array_values($data['ids']), $this->stock->of($loaded)),
        ]);
    }

    public function roll(
        Request $request,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Loaded $loaded,
    ): JsonResponse {
        $data = $request->validate(
            ['ids' => 'required|array|max:2000', 'ids.*' => 'string|max:255'],
            ['ids.required' => 'Choose the labels to print.', 'ids.max' => 'A printer takes 2,000 labels at a time.'],
        );
        $labels = $this->stock->of($loaded);
        $wanted = array_flip($data['ids']);
        $faces = [];
        foreach ($labels as $label) {
            if (isset($wanted[$label->id])) {
                $canvas = new SvgCanvas($label->face->width->inMillimetres(), $label->face->printed->inMillimetres());
                LabelDrawing::draw($canvas, $label, 0, 0, self::address($stored));
                $faces[] = ['id' => $label->id, 'form' => $label->part, 'svg' => $canvas->page(1)];
            }
        }
        $printer = $this->printer($stored);
        $out = $printer->print($faces);
        $this->stock->mark($stored, $user, $out, $labels);

        return response()->json(['out' => $out, 'printer' => $printer->summary()]);
    }

    public function load(
        Request $request,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Loaded $loaded,
    ): JsonResponse {
        $part = $loaded->installation->catalogue->parts()[$request->string('part')->toString()] ?? null;
        if ($part?->face === null) {
            abort(422, 'Choose what is on the roll: a label of the catalogue.');
        }
        $printer = $this->printer($stored);
        $out = $printer->load($part->id);
        $this->stock->mark($stored, $user, $out, $this->stock->of($loaded));

        return response()->json(['out' => $out, 'printer' => $printer->summary()]);
    }

    public function picture(StoredInstallation $stored, int $number): Response
    {
        return self::file(
            $this->printer($stored)->picture($number) ?? abort(404, 'No such label hangs from the printer.'),
            'image/svg+xml',
            'label.svg',
        );
    }

    public function cancel(StoredInstallation $stored): JsonResponse
    {
        $printer = $this->printer($stored);
        $printer->cancel();

        return response()->json(['printer' => $printer->summary()]);
    }

    private function onSheets(
        PdfCanvas|SvgCanvas $canvas,
        Request $request,
        StoredInstallation $stored,
        Loaded $loaded,
        SheetGeometry $geometry,
    ): void {
        LabelSheets::draw(
            $canvas,
            $this->chosen($request, $stored, $loaded),
            $geometry,
            self::address($stored),
            max(0, min($geometry->perSheet() - 1, $request->integer('start'))),
            self::shift($request),
        );
    }

    /** @return list<PrintedLabel> by what they are printed on, of a loom or all, and whether they are printed */
    private function chosen(Request $request, StoredInstallation $stored, Loaded $loaded): array
    {
        $printed = $this->stock->printed($stored);
        $part = $request->query('part');
        $loom = $request->query('loom');
        $only = $request->query('only');

        return array_values(
            array_filter($this->stock->of($loaded), static function (PrintedLabel $label) use (
                $printed,
                $part,
                $loom,
                $only,
                $loaded,
            ): bool {
                $state = LabelResource::state($label, $printed);
                $run = $loaded->installation->runs()[$label->run] ?? null;

                return ($part === null || $part === '' || $label->part === $part) &&
                    ($loom === null || $loom === '' || $run?->loom === $loom || $run?->id === $loom) &&
                    ($only !== 'left' || $state !== 'printed') &&
                    ($only !== 'changed' || $state === 'changed');
            }),
        );
    }

    private static function geometry(Request $request): SheetGeometry
    {
        $named = SheetGeometry::named($request->string('geometry')->toString());
        if ($named !== null) {
            return $named;
        }
        $own = $request->query('sheet');
        $problems = new Problems();
        $fields = Fields::from(is_string($own) ? json_decode($own, true) : [], 'sheet', $problems);
        $most = \Sartal\Core\Given\Measure\Length::metres(2);
        $geometry = new SheetGeometry(
            'own',
            'own sheet',
            $fields->length('pageWidth', $most),
            $fields->length('pageHeight', $most),
            $fields->whole('columns', 1, 50),
            $fields->whole('rows', 1, 100),
            $fields->length('width', $most),
            $fields->length('height', $most),
            $fields->length('pitchX', $most),
            $fields->length('pitchY', $most),
            $fields->length('left', $most),
            $fields->length('top', $most),
        );
        $fields->done();
        $problems->settle();
        foreach ($geometry->troubles() as $trouble) {
            abort(422, $trouble);
        }

        return $geometry;
    }

    /** @return array{float, float} */
    private static function shift(Request $request): array
    {
        $read = static fn (string $key): float => max(-20.0, min(20.0, (float) $request->string($key)->toString()));

        return [$read('right'), $read('down')];
    }

    private static function scheme(Request $request): LabelScheme
    {
        $problems = new Problems();
        $scheme = FileDecoder::labels(Fields::from($request->input('scheme'), 'scheme', $problems));
        $problems->settle();

        return $scheme;
    }

    /** What a printed code begins with. */
    private static function address(StoredInstallation $stored): string
    {
        return rtrim((string) config('app.url'), '/').'/i/'.$stored->address;
    }

    private function printer(StoredInstallation $stored): RollPrinter
    {
        return new RollPrinter(Cache::store('file'), $stored->id);
    }

    private static function file(string $bytes, string $type, string $name): Response
    {
        return new Response($bytes, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => sprintf(
                '%s; filename="%s"',
                str_starts_with($type, 'text/') ? 'attachment' : 'inline',
                $name,
            ),
            'Cache-Control' => 'private, no-store',
        ]);
    }
}
