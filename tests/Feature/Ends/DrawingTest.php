<?php

declare(strict_types=1);

namespace Tests\Feature\Ends;

use App\Documents\Drawing\Colours;
use App\Documents\Drawing\ConnectorPicture;
use App\Documents\Drawing\LengthText;
use App\Documents\Drawing\PdfCanvas;
use App\Documents\Drawing\SvgCanvas;
use App\Documents\Drawing\View;
use App\Documents\SheetDrawing;
use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Units;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Work\Bench\EndSheets;
use SimpleXMLElement;
use Symfony\Component\Process\Process;

/** What is drawn for paper, looked at through its SVG. */
final class DrawingTest extends TestCase
{
    private static function xml(SvgCanvas $canvas, int $page = 1): SimpleXMLElement
    {
        $xml = simplexml_load_string($canvas->page($page));
        self::assertNotFalse($xml);
        $xml->registerXPathNamespace('s', 'http://www.w3.org/2000/svg');

        return $xml;
    }

    /** @return array<string, array{float, float}> address → place on the page */
    private static function places(string $connector, View $view): array
    {
        $catalogue = ShippedCatalogue::load();
        $type = $catalogue->connectors()[$connector];
        $canvas = new SvgCanvas(100, 100);
        (new ConnectorPicture($type, FittingLayout::ofType($type, $catalogue), ['2' => 'red']))->on(
            $canvas,
            50,
            50,
            60,
            60,
            $view,
        );
        $places = [];
        foreach (self::xml($canvas)->xpath('//s:text') ?: [] as $text) {
            $places[(string) $text] = [(float) $text['x'], (float) $text['y']];
        }

        return $places;
    }

    /** The wiring side is the mirror of the mating face for straight-through pins: common practice. */
    public function test_the_two_sides_are_mirrors(): void
    {
        $face = self::places('xlr3-male-cable', new View(wiring: false));
        $wiring = self::places('xlr3-male-cable', new View());
        foreach (['1', '2', '3'] as $contact) {
            self::assertEqualsWithDelta(100 - $face[$contact][0], $wiring[$contact][0], 0.01);
            self::assertEqualsWithDelta($face[$contact][1], $wiring[$contact][1], 0.01);
        }
        self::assertLessThan($face['2'][0], $face['1'][0], 'male, mating face: 1 upper left');
        self::assertGreaterThan($face['1'][1], $face['3'][1], '3 at the bottom');
    }

    /** Turned so that 3 is on top, a male's wiring side has 1 on the left: common practice. */
    public function test_turning_by_half_puts_three_on_top_and_four_quarters_are_none(): void
    {
        $turned = self::places('xlr3-male-cable', new View(turn: 180));
        self::assertLessThan($turned['1'][1], $turned['3'][1]);
        self::assertLessThan($turned['2'][0], $turned['1'][0]);
        $none = self::places('xlr3-male-cable', new View());
        foreach (self::places('xlr3-male-cable', new View(turn: 360)) as $contact => [$x, $y]) {
            self::assertEqualsWithDelta($none[$contact][0], $x, 0.01);
            self::assertEqualsWithDelta($none[$contact][1], $y, 0.01);
        }
    }

    public function test_every_connector_is_drawn_inside_its_square_in_every_turn(): void
    {
        foreach (ShippedCatalogue::load()->connectors() as $id => $type) {
            foreach ([0, 90, 180, 270] as $turn) {
                foreach (self::places($id, new View(turn: $turn)) as $address => [$x, $y]) {
                    self::assertTrue(
                        $x > 15 && $x < 85 && $y > 15 && $y < 85,
                        "$id $address at $x, $y turned by $turn",
                    );
                }
            }
        }
    }

    /** @return iterable<string, array{string, Units, string}> */
    public static function lengths(): iterable
    {
        yield 'whole millimetres' => ['18 mm', Units::Metric, '18 mm'];
        yield 'a quarter inch in millimetres' => ['1/4 in', Units::Metric, '6.35 mm'];
        yield 'a quarter inch' => ['1/4 in', Units::Inch, '1/4 in'];
        yield 'an inch and a half' => ['1 1/2 in', Units::Inch, '1 1/2 in'];
        yield 'two inches' => ['2 in', Units::Inch, '2 in'];
        yield 'to the nearest sixty-fourth' => ['18 mm', Units::Inch, '45/64 in'];
        yield 'less than nothing' => ['-1 1/2 in', Units::Inch, '-1 1/2 in'];
        yield 'nothing' => ['0 mm', Units::Inch, '0 in'];
    }

    #[DataProvider('lengths')]
    public function test_lengths_are_printed_in_either_system(string $length, Units $units, string $text): void
    {
        self::assertSame($text, LengthText::of(Length::parse($length), $units));
    }

    /** IEC 60757 letters stand beside every swatch. */
    public function test_colours_have_letters_and_a_tint_that_can_be_read_on(): void
    {
        self::assertSame('WH/BU', Colours::letters('white/blue'));
        self::assertSame('bare', Colours::letters('bare'));
        self::assertSame('#cccccc', Colours::hex('no such colour'));
        foreach (['brown', 'red', 'black', 'blue', 'violet'] as $colour) {
            $tint = Colours::tint($colour);
            $light = array_sum(array_map(static fn (int $at): float => hexdec(substr($tint, $at, 2)), [1, 3, 5])) / 3;
            self::assertGreaterThan(140, $light, $colour.' is light enough for ink');
        }
    }

    public function test_what_is_drawn_as_svg_is_what_is_drawn_as_pdf(): void
    {
        $in = InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        )->installation;
        $plan = (new Planner())->plan($in);
        $sheets = new EndSheets($in);
        foreach (['M-201' => Side::B, 'P-007' => Side::B, 'C-418' => Side::A] as $run => $side) {
            $sheet = $sheets->of($in->runs()[$run], $side, $plan->runs[$run]);
            self::assertNotNull($sheet);
            $svg = new SvgCanvas(SheetDrawing::WIDTH, SheetDrawing::HEIGHT);
            SheetDrawing::draw($svg, $sheet, null, new View(), $in->name);
            $pdf = new PdfCanvas('test', SheetDrawing::WIDTH, SheetDrawing::HEIGHT);
            SheetDrawing::draw($pdf, $sheet, null, new View(), $in->name);
            $read = new Process(['pdftotext', '-raw', '-', '-'], input: $pdf->bytes());
            $read->mustRun();
            $text = (string) preg_replace('~\s+~u', '', $read->getOutput());
            $words = 0;
            for ($page = 1; $page <= $svg->pages(); $page++) {
                foreach (self::xml($svg, $page)->xpath('//s:text') ?: [] as $drawn) {
                    $plain = (string) preg_replace('~\s+~u', '', (string) $drawn);
                    self::assertStringContainsString($plain, $text, $run);
                    $words++;
                    self::assertTrue((float) $drawn['y'] < 292 && (float) $drawn['y'] > 5, 'on the page');
                }
            }
            self::assertGreaterThan(40, $words);
        }
    }

    /**
     * Widths from below: a letter of the sans face is about half its size, of the mono face six tenths (from memory).
     * An address with its bay, two columns on two pages, eight legs and mains terminals.
     */
    public function test_words_on_a_line_stay_apart_and_joints_follow_the_pages(): void
    {
        $in = InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        )->installation;
        $plan = (new Planner())->plan($in);
        foreach (['V-407' => Side::B, 'M-201' => Side::B, 'M-202' => Side::B, 'P-007' => Side::A] as $run => $side) {
            $sheet = (new EndSheets($in))->of($in->runs()[$run], $side, $plan->runs[$run]);
            self::assertNotNull($sheet);
            $svg = new SvgCanvas(SheetDrawing::WIDTH, SheetDrawing::HEIGHT);
            SheetDrawing::draw($svg, $sheet, null, new View(), $in->name);
            $joints = [];
            for ($page = 1; $page <= $svg->pages(); $page++) {
                $lines = [];
                $last = '';
                foreach (self::xml($svg, $page)->xpath('//s:text') ?: [] as $text) {
                    $width =
                        mb_strlen((string) $text) *
                        (float) $text['font-size'] *
                        (str_contains((string) $text['font-family'], 'Mono') ? 0.6 : 0.45);
                    $x = (float) $text['x'];
                    $anchor = (string) $text['text-anchor'];
                    if ($anchor !== 'middle') {
                        $lines[(string) $text['y']][] =
                            $anchor === 'end' ? [$x - $width, $x, (string) $text] : [$x, $x + $width, (string) $text];
                    }
                    if ($anchor === 'end' && ctype_digit((string) $text)) {
                        $joints[] = (int) (string) $text;
                    }
                    $last = (string) $text;
                }
                self::assertStringStartsNotWith('Leg ', $last, "$run page $page ends with a heading");
                foreach ($lines as $line) {
                    usort($line, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
                    for ($i = 1; $i < count($line); $i++) {
                        self::assertGreaterThan(
                            $line[$i - 1][1],
                            $line[$i][0],
                            "$run: \"{$line[$i - 1][2]}\" runs into \"{$line[$i][2]}\"",
                        );
                    }
                }
            }
            if ($run === 'M-201') {
                self::assertSame(range(1, 72), $joints);
            }
            self::assertNotEmpty($joints);
        }
    }

    public function test_text_cannot_leave_its_element(): void
    {
        $canvas = new SvgCanvas(10, 10);
        $canvas->text(1, 1, '</text><script>alert(1)</script>&"\'');
        self::assertStringNotContainsString('<script', $canvas->page(1));
        self::assertSame(
            '</text><script>alert(1)</script>&"\'',
            (string) (self::xml($canvas)->xpath('//s:text')[0] ?? ''),
        );
    }

    public function test_pages_are_numbered_from_one(): void
    {
        $canvas = new SvgCanvas(10, 10);
        $canvas->text(1, 1, 'first');
        $canvas->newPage();
        $canvas->text(1, 1, 'second');
        self::assertSame(2, $canvas->pages());
        self::assertStringContainsString('first', $canvas->page(1));
        self::assertStringNotContainsString('first', $canvas->page(2));
        self::assertStringContainsString('second', $canvas->page(2));
    }
}
