<?php

declare(strict_types=1);

namespace App\Http\Controllers\Ends;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Changes\Foresight;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Documents\Drawing\PdfCanvas;
use App\Documents\Drawing\SvgCanvas;
use App\Documents\LabelDrawing;
use App\Documents\LabelSheets;
use App\Formats\Csv\CsvWriter;
use App\Http\Requests\Ends\LabelsAsked;
use App\Http\Requests\Ends\LabelSchemeChange;
use App\Http\Requests\Ends\LabelSchemePreview;
use App\Http\Requests\Ends\LabelsMarked;
use App\Http\Requests\Ends\LabelsShown;
use App\Http\Requests\Ends\LabelsToRoll;
use App\Http\Requests\Ends\RollLoaded;
use App\Http\Resources\Ends\LabelChoice;
use App\Http\Resources\Ends\LabelResource;
use App\Labels\LabelStock;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\Kept;
use App\Planning\Loaded;
use App\Simulators\RollPrinter;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cache;
use Sartal\Core\Ends\Labelling\PrintedLabel;
use Sartal\Core\Ends\Labelling\SheetGeometry;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Installation\LabelScheme;

/**
 * Labels: what they say, on sheets, off a roll, as CSV, and which are printed.
 *
 * @phpstan-import-type LabelLine from LabelResource
 * @phpstan-import-type Geometry from LabelResource
 * @phpstan-import-type LabelFinding from LabelResource
 * @phpstan-import-type RollState from RollPrinter
 * @phpstan-import-type LabelKind from LabelChoice
 *
 * @phpstan-type LabelsInPart array{
 *     part: string,
 *     labels: list<LabelLine>,
 *     ids: list<string>,
 *     of: int,
 *     kinds: list<LabelKind>,
 *     looms: list<array{id: string, name: string}>,
 *     counts: array{left: int, changed: int, all: int},
 *     scheme: array{end: string, endLine: string, leg: string, legLine: string, limit: int},
 *     tokens: array<string, string>,
 *     version: int,
 *     geometries: list<Geometry>,
 *     findings: list<LabelFinding>,
 *     printer: RollState,
 * }
 * @phpstan-type LabelsPage array{
 *     labels: list<LabelLine>,
 *     scheme: array{end: string, endLine: string, leg: string, legLine: string, limit: int},
 *     tokens: array<string, string>,
 *     version: int,
 *     geometries: list<Geometry>,
 *     findings: list<LabelFinding>,
 *     printer: RollState,
 * }
 */
final readonly class LabelController
{
    /** That are shown with the labels. */
    private const FINDINGS = 6;

    public function __construct(private LabelStock $stock)
    {
    }

    /**
     * @return Answer<LabelsPage>
     */
    public function index(StoredInstallation $stored, Loaded $loaded): Answer
    {
        $beside = [
            'scheme' => LabelResource::scheme($loaded->installation->rules()->labels),
            'tokens' => LabelScheme::TOKENS,
            'version' => $stored->version,
            'geometries' => LabelResource::geometries(),
            'findings' => LabelResource::findings($loaded),
            'printer' => $this->printer($stored)->summary(),
        ];
        $lines = LabelResource::each($this->stock->of($loaded), $this->stock->printed($stored), $loaded);
        /** @var Answer<LabelsPage> $whole */
        $whole = Answer::rows('labels', $lines, $beside);

        return $whole;
    }

    /**
     * Some of them at a time.
     *
     * @return Answer<LabelsInPart>
     */
    public function shown(
        #[Query(LabelsShown::class)] LabelsShown $asked,
        StoredInstallation $stored,
        Container $container,
    ): Answer {
        $made = Kept::once(
            $stored,
            'label lines',
            Kept::state(
                $stored->decisions,
                $stored->edition(),
                LabelStock::state($stored),
                (string) json_encode($stored->names()),
            ),
            function () use ($stored, $container): array {
                $loaded = $container->make(Loaded::class);

                return [
                    'lines' => LabelResource::lines($this->stock->of($loaded), $this->stock->printed($stored), $loaded),
                    'scheme' => LabelResource::scheme($loaded->installation->rules()->labels),
                    'findings' => LabelResource::findings($loaded),
                ];
            },
        );

        return new Answer([
            ...(new LabelChoice($made['lines']))->of($asked, self::looms($stored)),
            'scheme' => $made['scheme'],
            'tokens' => LabelScheme::TOKENS,
            'version' => $stored->version,
            'geometries' => LabelResource::geometries(),
            'findings' => array_slice(
                array_values(
                    array_filter(
                        $made['findings'],
                        static fn (array $finding): bool => $finding['severity'] !== Severity::Note->value,
                    ),
                ),
                0,
                self::FINDINGS,
            ),
            'printer' => $this->printer($stored)->summary(),
        ]);
    }

    /**
     * What a scheme would print, before it is saved.
     *
     * @return Answer<array{labels: list<LabelLine>, findings: list<LabelFinding>}>
     */
    public function preview(
        #[Body(LabelSchemePreview::class)] LabelSchemePreview $sent,
        StoredInstallation $stored,
        Loaded $loaded,
        Foresight $foresight,
    ): Answer {
        $rules = FileEncoder::rules($loaded->installation->rules()->withLabels(self::scheme($sent->scheme)));
        $then = $foresight->ahead($loaded, [new Edit(DecisionKind::Rules, $stored->key, $rules)]);

        return new Answer([
            'labels' => LabelResource::lines($this->stock->of($then), $this->stock->printed($stored), $then),
            'findings' => LabelResource::findings($then),
        ]);
    }

    /** @return Answer<array{saved: true}> */
    public function save(
        #[Body(LabelSchemeChange::class)] LabelSchemeChange $sent,
        StoredInstallation $stored,
        Loaded $loaded,
        Author $author,
        ChangeLog $log,
    ): Answer {
        $rules = FileEncoder::rules($loaded->installation->rules()->withLabels(self::scheme($sent->scheme)));
        $edit = new Edit(DecisionKind::Rules, $stored->key, $rules, $sent->version ?? 0);
        $log->write(Decision::on($loaded, $author, 'Labels say something else', [$edit], part: 'labels'));

        return new Answer(['saved' => true]);
    }

    public function pdf(
        #[Query(LabelsAsked::class)] LabelsAsked $asked,
        StoredInstallation $stored,
        Loaded $loaded,
    ): Response {
        $geometry = self::geometry($asked);
        $canvas = new PdfCanvas(
            $stored->name.', labels',
            $geometry->pageWidth->inMillimetres(),
            $geometry->pageHeight->inMillimetres(),
        );
        $this->onSheets($canvas, $asked, $stored, $loaded, $geometry);

        return self::file($canvas->bytes(), 'application/pdf', 'labels.pdf');
    }

    public function svg(
        #[Query(LabelsAsked::class)] LabelsAsked $asked,
        StoredInstallation $stored,
        Loaded $loaded,
    ): Response {
        $geometry = self::geometry($asked);
        $canvas = new SvgCanvas($geometry->pageWidth->inMillimetres(), $geometry->pageHeight->inMillimetres());
        $this->onSheets($canvas, $asked, $stored, $loaded, $geometry);
        abort_if($asked->page > $canvas->pages(), 404, sprintf('There are %d sheets.', $canvas->pages()));

        return self::file($canvas->page($asked->page), 'image/svg+xml', 'labels.svg');
    }

    public function test(#[Query(LabelsAsked::class)] LabelsAsked $asked): Response
    {
        $geometry = self::geometry($asked);
        $canvas = new PdfCanvas(
            $geometry->name,
            $geometry->pageWidth->inMillimetres(),
            $geometry->pageHeight->inMillimetres(),
        );
        LabelSheets::test($canvas, $geometry, [self::shift($asked->right), self::shift($asked->down)]);

        return self::file($canvas->bytes(), 'application/pdf', 'label-test-page.pdf');
    }

    public function csv(
        #[Query(LabelsAsked::class)] LabelsAsked $asked,
        StoredInstallation $stored,
        Loaded $loaded,
    ): Response {
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
            $this->chosen($asked, $stored, $loaded),
        );
        $csv = CsvWriter::write(
            ['id', 'kind', 'label', 'text', 'second line', 'in words', 'mark', 'colour', 'where', 'address'],
            $rows,
        );

        return self::file($csv, 'text/csv; charset=UTF-8', 'labels.csv');
    }

    /** @return Answer<array{marked: int}> */
    public function mark(
        #[Body(LabelsMarked::class)] LabelsMarked $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Loaded $loaded,
    ): Answer {
        return new Answer([
            'marked' => $this->stock->mark($stored, $user, $sent->ids, $this->stock->of($loaded)),
        ]);
    }

    /** @return Answer<array{out: list<string>, printer: RollState}> */
    public function roll(
        #[Body(LabelsToRoll::class)] LabelsToRoll $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Loaded $loaded,
    ): Answer {
        $labels = $this->stock->of($loaded);
        $wanted = array_flip($sent->ids);
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

        return new Answer(['out' => $out, 'printer' => $printer->summary()]);
    }

    /** @return Answer<array{out: list<string>, printer: RollState}> */
    public function load(
        #[Body(RollLoaded::class)] RollLoaded $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Loaded $loaded,
    ): Answer {
        $part = $loaded->installation->catalogue->parts()[$sent->part] ?? null;
        if ($part?->face === null) {
            abort(422, 'Choose what is on the roll: a label of the catalogue.');
        }
        $printer = $this->printer($stored);
        $out = $printer->load($part->id);
        $this->stock->mark($stored, $user, $out, $this->stock->of($loaded));

        return new Answer(['out' => $out, 'printer' => $printer->summary()]);
    }

    public function picture(StoredInstallation $stored, int $number): Response
    {
        return self::file(
            $this->printer($stored)->picture($number) ?? abort(404, 'No such label hangs from the printer.'),
            'image/svg+xml',
            'label.svg',
        );
    }

    /** @return Answer<array{printer: RollState}> */
    public function cancel(StoredInstallation $stored): Answer
    {
        $printer = $this->printer($stored);
        $printer->cancel();

        return new Answer(['printer' => $printer->summary()]);
    }

    private function onSheets(
        PdfCanvas|SvgCanvas $canvas,
        LabelsAsked $asked,
        StoredInstallation $stored,
        Loaded $loaded,
        SheetGeometry $geometry,
    ): void {
        LabelSheets::draw(
            $canvas,
            $this->chosen($asked, $stored, $loaded),
            $geometry,
            self::address($stored),
            max(0, min($geometry->perSheet() - 1, $asked->start)),
            [self::shift($asked->right), self::shift($asked->down)],
        );
    }

    /** @return list<PrintedLabel> by what they are printed on, of a loom or all, and whether they are printed */
    private function chosen(LabelsAsked $asked, StoredInstallation $stored, Loaded $loaded): array
    {
        $printed = $this->stock->printed($stored);

        return array_values(
            array_filter($this->stock->of($loaded), static function (PrintedLabel $label) use (
                $printed,
                $asked,
                $loaded,
            ): bool {
                $state = LabelResource::state($label, $printed);
                $run = $loaded->installation->runs()[$label->run] ?? null;

                return ($asked->part === '' || $label->part === $asked->part) &&
                    ($asked->loom === '' || $run?->loom === $asked->loom || $run?->id === $asked->loom) &&
                    ($asked->only !== 'left' || $state !== 'printed') &&
                    ($asked->only !== 'changed' || $state === 'changed');
            }),
        );
    }

    private static function geometry(LabelsAsked $asked): SheetGeometry
    {
        $named = SheetGeometry::named($asked->geometry);
        if ($named !== null) {
            return $named;
        }
        $problems = new Problems();
        $fields = Fields::from(json_decode($asked->sheet, true), 'sheet', $problems);
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

    /** @return float mm by which a sheet can lie askew in a printer */
    private static function shift(float $asked): float
    {
        return max(-20.0, min(20.0, $asked));
    }

    /** @param  array<array-key, mixed>  $sent */
    private static function scheme(array $sent): LabelScheme
    {
        $problems = new Problems();
        $scheme = FileDecoder::labels(Fields::from($sent, 'scheme', $problems));
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

    /** @return array<int|string, string> id → name */
    private static function looms(StoredInstallation $stored): array
    {
        $rows = $stored->entries()->toBase()->reorder()->where('kind', 'loom');

        /** @var array<int|string, string> */
        return $rows->selectRaw("key, definition->>'name' as name")->pluck('name', 'key')->all();
    }
}
