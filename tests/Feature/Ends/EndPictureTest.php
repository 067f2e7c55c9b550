<?php

declare(strict_types=1);

namespace Tests\Feature\Ends;

use App\Documents\Drawing\EndPicture;
use App\Documents\Drawing\PdfCanvas;
use App\Documents\Drawing\SvgCanvas;
use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use SimpleXMLElement;
use Tests\Support\CatalogueEnd;
use Tests\Support\EndsOfTheCatalogue;

/** An end after each step, on paper: looked at through its SVG. */
final class EndPictureTest extends TestCase
{
    private const WIDTH = 120.0;

    /** Right of this are words. */
    private const END = 84.0;

    /** @var array<string, CatalogueEnd> one of each procedure */
    private static array $ends = [];

    /** @return array<string, CatalogueEnd> by procedure */
    private static function ends(): array
    {
        foreach (self::$ends === [] ? (new EndsOfTheCatalogue(ShippedCatalogue::load()))->all() : [] as $end) {
            if ($end->procedure !== null) {
                self::$ends[$end->procedure->id] ??= $end;
            }
        }

        return self::$ends;
    }

    /** @return array<string, StepMade> by id */
    private static function steps(string $procedure): array
    {
        $end = self::ends()[$procedure];
        self::assertNotNull($end->procedure);
        $steps = [];
        foreach (Made::by($end->procedure, $end->workpiece, $end->station)->steps as $step) {
            $steps[$step->step->id] = $step;
        }

        return $steps;
    }

    private static function picture(string $procedure, StepMade $step): SimpleXMLElement
    {
        $picture = new EndPicture(self::ends()[$procedure]->cable);
        $canvas = new SvgCanvas(self::WIDTH, $picture->height($step->after));
        $picture->on($canvas, $step, 2, 1, 116);
        $xml = simplexml_load_string($canvas->page(1));
        self::assertNotFalse($xml);
        $xml->registerXPathNamespace('s', 'http://www.w3.org/2000/svg');

        return $xml;
    }

    /** @return list<string> */
    private static function words(SimpleXMLElement $picture): array
    {
        return array_map(strval(...), $picture->xpath('//s:text') ?: []);
    }

    /** Where the widest box that begins at the left ends: the sheath. */
    private static function sheath(SimpleXMLElement $picture): float
    {
        $ends = [0.0];
        foreach ($picture->xpath('//s:rect') ?: [] as $rect) {
            if ((float) $rect['x'] === 2.0 && (float) $rect['height'] === 12.0) {
                $ends[] = 2 + (float) $rect['width'];
            }
        }

        return max($ends);
    }

    public function test_every_step_of_every_family_is_drawn_within_its_page(): void
    {
        $drawn = 0;
        foreach (self::ends() as $id => $end) {
            foreach (self::steps($id) as $step) {
                $picture = self::picture($id, $step);
                $height = (float) $picture['height'] ?: (float) explode(' ', (string) $picture['viewBox'])[3];
                foreach ($picture->xpath('//s:rect[not(contains(@width, "%"))]') ?: [] as $rect) {
                    $where = $id.' '.$step->step->id;
                    self::assertGreaterThanOrEqual(0.0, (float) $rect['x'], $where);
                    self::assertGreaterThanOrEqual(0.0, (float) $rect['y'], $where);
                    self::assertLessThanOrEqual(self::WIDTH, (float) $rect['x'] + (float) $rect['width'], $where);
                    self::assertLessThanOrEqual($height, (float) $rect['y'] + (float) $rect['height'], $where);
                }
                $drawn++;
            }
        }
        self::assertGreaterThan(100, $drawn);
    }

    /** A rule that is laid to it reads what the step says, by the scale that stands there. */
    public function test_lengths_are_to_scale_and_written_as_they_are_marked(): void
    {
        // The plug's first cable has a rip cord: its sheath is opened before it is peeled.
        $first = ['cup-3-pole' => 'sheath-off', 'category-plug' => 'open', 'bnc-crimp' => 'sheath-off'];
        foreach ($first as $id => $named) {
            $step = self::steps($id)[$named];
            $picture = self::picture($id, $step);
            $words = self::words($picture);
            self::assertContains($step->step->measure?->written, $words);
            preg_match('~^(\d+) : (\d+)$~', $words[array_key_last($words)], $ratio);
            $scale = (float) $ratio[1] / (float) $ratio[2];
            $off = $step->after->end->piece(PieceKind::Sheath)?->edge->inMillimetres() ?? 0.0;
            self::assertEqualsWithDelta($off * $scale, self::END - self::sheath($picture), 0.02, $id);
        }
        $plug = self::picture('category-plug', self::steps('category-plug')['peel']);
        self::assertContains('1 1/2 in', self::words($plug));
    }

    public function test_what_is_joined_and_in_its_place_is_said(): void
    {
        $steps = self::steps('cup-3-pole');
        self::assertContains('boot', self::words(self::picture('cup-3-pole', $steps['boot-on'])));
        $last = implode(' ', self::words(self::picture('cup-3-pole', $steps['shut'])));
        self::assertStringContainsString('in place: chuck, shell, nut, boot', $last);
        self::assertMatchesRegularExpression('~, in [123]\b~', $last);
        // What is cut off flush has no length to be drawn.
        foreach (self::steps('phone-3-contact') as $step) {
            self::assertNotContains('0 mm', self::words(self::picture('phone-3-contact', $step)));
        }
    }

    public function test_it_goes_onto_paper_as_well(): void
    {
        $step = self::steps('cup-3-pole')['cores-tin'];
        $picture = new EndPicture(self::ends()['cup-3-pole']->cable);
        $canvas = new PdfCanvas('test', 210, 297);
        $picture->on($canvas, $step, 20, 20, 116);
        self::assertStringStartsWith('%PDF', $canvas->bytes());
    }
}
