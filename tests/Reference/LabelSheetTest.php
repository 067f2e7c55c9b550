<?php

declare(strict_types=1);

namespace Tests\Reference;

use App\Documents\Drawing\PdfCanvas;
use App\Documents\LabelSheets;
use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Labelling\LabelPrints;
use Sartal\Core\Ends\Labelling\Marked;
use Sartal\Core\Ends\Labelling\PrintedLabel;
use Sartal\Core\Ends\Labelling\SheetGeometry;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
use Sartal\Core\Given\Catalogue\LabelFace;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\LabelForm;
use Sartal\Core\Given\Schools\LabelTurn;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Runs\RunPlan;
use Symfony\Component\Process\Process;
use Tests\Support\Node;

/** Label sheets as paper: what is printed is read back by programs that know nothing of Sartal (poppler, jsQR). */
final class LabelSheetTest extends TestCase
{
    private const ADDRESS = 'https://sartal.barrage.example/i/rt582';

    /** Dots in a mm at 508 dpi: half a tenth of a millimetre each. */
    private const DOTS = 20;

    /** @return list<PrintedLabel> of the demo, of one kind */
    private static function labels(string $part): array
    {
        $file = InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/brackwater.json'),
        );
        $in = $file->installation;
        $in = $in->withCatalogue(FormerConversion::completed($in->catalogue, ShippedCatalogue::load()));
        $plan = (new Planner())->plan($in);
        $prints = (new LabelPrints($in))->of(
            $plan->runs->map(static fn (RunPlan $run): array => $run->labels),
            $plan->rotations(),
        );

        return array_values(array_filter($prints, static fn (PrintedLabel $label): bool => $label->part === $part));
    }

    /** @param  callable(PdfCanvas): void  $draw */
    private static function pdf(SheetGeometry $geometry, callable $draw): string
    {
        $canvas = new PdfCanvas(
            'labels',
            $geometry->pageWidth->inMillimetres(),
            $geometry->pageHeight->inMillimetres(),
        );
        $draw($canvas);
        $file = (string) tempnam(sys_get_temp_dir(), 'labels');
        file_put_contents($file, $canvas->bytes());

        return $file;
    }

    private static function png(string $pdf): string
    {
        $process = new Process([
            'pdftoppm',
            '-r',
            (string) (self::DOTS * 25.4),
            '-png',
            '-f',
            '1',
            '-l',
            '1',
            '-singlefile',
            $pdf,
            $pdf,
        ]);
        $process->setTimeout(120)->mustRun();

        return $pdf.'.png';
    }

    public function test_texts_and_codes_on_a_sheet_are_read_back(): void
    {
        $geometry = SheetGeometry::named('a4-wrap-s');
        self::assertNotNull($geometry);
        $labels = array_slice(self::labels('label-wrap-s'), 0, $geometry->perSheet());
        self::assertCount(49, $labels);
        $pdf = self::pdf(
            $geometry,
            static fn (PdfCanvas $canvas) => LabelSheets::draw($canvas, $labels, $geometry, self::ADDRESS),
        );
        $fields = $said = [];
        foreach ($labels as $n => $label) {
            [, $x, $y] = $geometry->place($n);
            // A label's own words, by where they stand on the paper.
            $area = new Process([
                'pdftotext',
                '-r',
                '254',
                '-x',
                (string) (int) ($x * 10),
                '-y',
                (string) (int) ($y * 10),
                '-W',
                '250',
                '-H',
                '127',
                $pdf,
                '-',
            ]);
            $area->mustRun();
            $said[$label->id] = preg_replace('~\s+~', ' ', $area->getOutput());
            $fields[] = [
                (int) floor(($x + 12) * self::DOTS),
                (int) floor($y * self::DOTS),
                13 * self::DOTS,
                (int) (12.7 * self::DOTS),
            ];
        }
        $png = self::png($pdf);
        $codes = Node::ask('codes', ['png' => base64_encode((string) file_get_contents($png)), 'fields' => $fields]);
        foreach ($labels as $n => $label) {
            self::assertSame(self::ADDRESS.'/'.$label->path, $codes[$n], $label->id);
            self::assertStringContainsString($label->marked->text ?? $label->code, (string) $said[$label->id]);
            self::assertStringContainsString(mb_substr($label->line, 0, 6), (string) $said[$label->id]);
            if ($label->colour !== '') {
                self::assertStringContainsString($label->colour, (string) $said[$label->id], 'the colour by its name');
            }
            if ($label->marked !== null) {
                self::assertStringContainsString($label->marked->word, (string) $said[$label->id]);
            }
        }
        array_map(unlink(...), [$pdf, $png]);
    }

    /** Round measures of our own, written down here a second time: a sheet that is in the drawer does not change. */
    public function test_the_generic_sheets_are_as_they_were_sold(): void
    {
        $sold = [
            'a4-wrap-s' => [210, 297, 7, 7, 25, 38, 27, 40, 10.5, 9.5],
            'a4-wrap-l' => [210, 297, 7, 3, 25, 95, 27, 96, 10.5, 5],
            'a4-flag' => [210, 297, 6, 10, 30, 25, 32, 27, 10, 14.5],
            'a4-tag' => [210, 297, 3, 12, 50, 20, 54, 22, 26, 17.5],
            'a4-strip' => [210, 297, 7, 22, 26, 9, 26, 12.5, 14, 12.5],
            'letter-wrap-s' => [215.9, 279.4, 7, 6, 25.4, 38.1, 27.94, 41.91, 11.43, 15.875],
        ];
        $are = [];
        foreach (SheetGeometry::usual() as $sheet) {
            [$page, $down] = [$sheet->pageWidth->inMillimetres(), $sheet->pageHeight->inMillimetres()];
            $are[$sheet->id] = [$page, $down, $sheet->columns, $sheet->rows];
            foreach (['width', 'height', 'pitchX', 'pitchY', 'left', 'top'] as $measure) {
                $are[$sheet->id][] = $sheet->{$measure}->inMillimetres();
            }
            self::assertSame([], $sheet->troubles());
        }
        self::assertEquals($sold, $are);
    }

    /** @return iterable<string, array{SheetGeometry}> */
    public static function geometries(): iterable
    {
        foreach (SheetGeometry::usual() as $geometry) {
            yield $geometry->id => [$geometry];
        }
    }

    /** The frames of the test page, found in a picture of it, lie where the geometry says within 0.2 mm. */
    #[DataProvider('geometries')]
    public function test_fields_lie_within_a_fifth_of_a_millimetre(SheetGeometry $geometry): void
    {
        self::assertSame([], $geometry->troubles());
        $pdf = self::pdf(
            $geometry,
            static fn (PdfCanvas $canvas) => LabelSheets::test($canvas, $geometry, [1.5, -0.7]),
        );
        $png = self::png($pdf);
        $image = imagecreatefrompng($png);
        self::assertNotFalse($image);
        foreach ([0, $geometry->columns - 1, $geometry->perSheet() - 1] as $number) {
            [, $x, $y] = $geometry->place($number);
            $middle = [
                $x + 1.5 + $geometry->width->inMillimetres() * 0.31,
                $y - 0.7 + $geometry->height->inMillimetres() * 0.9,
            ];
            self::assertEqualsWithDelta($x + 1.5, self::edge($image, $middle, [-1, 0]), 0.2, 'left of '.$number);
            self::assertEqualsWithDelta(
                $x + 1.5 + $geometry->width->inMillimetres(),
                self::edge($image, $middle, [1, 0]),
                0.2,
                'right of '.$number,
            );
            self::assertEqualsWithDelta($y - 0.7, self::edge($image, $middle, [0, -1]), 0.2, 'top of '.$number);
            self::assertEqualsWithDelta(
                $y - 0.7 + $geometry->height->inMillimetres(),
                self::edge($image, $middle, [0, 1]),
                0.2,
                'bottom of '.$number,
            );
        }
        array_map(unlink(...), [$pdf, $png]);
    }

    /**
     * Where the first dark dot lies, in mm, going from a point in one direction.
     *
     * @param  array{float, float}  $from
     * @param  array{int, int}  $step
     */
    private static function edge(\GdImage $image, array $from, array $step): float
    {
        [$x, $y] = [(int) round($from[0] * self::DOTS), (int) round($from[1] * self::DOTS)];
        for ($i = 0; $i < 4000; $i++) {
            $at = [$x + $i * $step[0], $y + $i * $step[1]];
            if ($at[0] < 0 || $at[1] < 0 || $at[0] >= imagesx($image) || $at[1] >= imagesy($image)) {
                break;
            }
            if ((imagecolorat($image, $at[0], $at[1]) & 0xFF) < 128) {
                return ($step[0] !== 0 ? $at[0] : $at[1]) / self::DOTS;
            }
        }
        self::fail('no frame found');
    }

    public function test_a_started_sheet_goes_on_behind_what_is_used_up(): void
    {
        $geometry = SheetGeometry::named('a4-flag');
        self::assertNotNull($geometry);
        self::assertSame([0, 10.0, 14.5], $geometry->place(0));
        self::assertSame($geometry->place(7), $geometry->place(0, 7));
        self::assertSame([1, 10.0, 14.5], $geometry->place(53, 7));
    }

    public function test_a_sheet_that_cannot_be_is_refused_in_words(): void
    {
        $mm = static fn (float ...$of): array => array_map(Length::millimetres(...), $of);
        $sheet = static fn (float ...$of): SheetGeometry => new SheetGeometry(
            'x',
            'x',
            ...[...$mm(210, 297), 7, 7, ...$mm(...$of)],
        );
        self::assertStringContainsString('do not fit', implode($sheet(25, 38, 31, 40, 10, 9)->troubles()));
        self::assertStringContainsString('overlap', implode($sheet(25, 38, 24, 40, 10, 9)->troubles()));
        self::assertSame([], $sheet(25, 38, 27, 40, 10.5, 9.5)->troubles());
    }

    public function test_what_touches_a_label_makes_it_another_one(): void
    {
        $face = new LabelFace(
            LabelForm::Wrap,
            Length::millimetres(25),
            Length::millimetres(38),
            Length::millimetres(12.7),
        );
        $label = static fn (string $code, ?Marked $marked = null): PrintedLabel => new PrintedLabel(
            'r|A|',
            'label-wrap-s',
            $face,
            'r',
            'A',
            '',
            $code,
            'A to B',
            $marked,
            '',
            '',
            'e/r/A',
            '',
        );
        self::assertNotSame($label('6')->fingerprint(), $label('7')->fingerprint());
        self::assertNotSame(
            $label('6')->fingerprint(),
            $label('6', Marked::as(LabelTurn::Underline, '6'))->fingerprint(),
            'another came into use, and now it has to be marked',
        );
        self::assertSame($label('6')->fingerprint(), $label('6')->fingerprint());
    }
}
