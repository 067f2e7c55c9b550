<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Schools\JoinOrder;
use Tests\Support\CatalogueEnd;
use Tests\Support\EndsOfTheCatalogue;
use Tests\Support\Procedures;

/** Steps as they are said to whoever does them. */
final class StepWordsTest extends TestCase
{
    /** @var list<CatalogueEnd> */
    private static array $ends = [];

    /** @return list<CatalogueEnd> */
    private static function ends(): array
    {
        return self::$ends === []
            ? self::$ends = array_values([...(new EndsOfTheCatalogue(ShippedCatalogue::load()))->all()])
            : self::$ends;
    }

    /** @return array<string, string> step → words, of the first end of a procedure that is named so */
    private static function words(string $procedure, string $like): array
    {
        foreach (self::ends() as $end) {
            if ($end->procedure?->id === $procedure && str_contains($end->name, $like)) {
                return self::of($end);
            }
        }
        self::fail('There is no such end.');
    }

    /** @return array<string, string> */
    private static function of(CatalogueEnd $end): array
    {
        $words = new StepWords($end->cable);
        $said = [];
        self::assertNotNull($end->procedure);
        foreach (Made::by($end->procedure, $end->workpiece, $end->station)->steps as $step) {
            $said[$step->step->id] = $words->of($step->doing);
        }

        return $said;
    }

    public function test_a_length_says_which_it_is_and_from_where(): void
    {
        $cup = self::words('cup-3-pole', 'Star-quad →');
        self::assertSame('Take off the sheath: mark at 20 mm, from the cut end', $cup['sheath-off']);
        self::assertSame('Take off the insulation of 4 cores: 5 mm of it, from its own end', $cup['bare']);
        self::assertSame('Cut 4 cores to length: leave 2 mm, from its insulation', $cup['cores-trim']);
        self::assertSame('Cut the braid to length: reaches 17 mm, from the edge of the sheath', $cup['screen-trim']);
        self::assertSame('Let it cool, 60 s', $cup['tinned-cool']);
        self::assertMatchesRegularExpression(
            '~^Solder the braid and 4 cores into terminals [123], [123], [123]$~',
            $cup['join'],
        );
        self::assertSame('Look it over: colours are where the sheet has them', $cup['colours']);
        $phone = self::words('phone-3-contact', 'braid and drain');
        self::assertSame('Cut the braid off flush, at the edge of the sheath', $phone['unused-off']);
        self::assertSame('Cut 2 cores to length: 9 mm, 12 mm from the edge of the sheath', $phone['cores-fit']);
    }

    /** Across: from the top and the left, as the terminals lie before whoever joins them; or the screen first. */
    public function test_joints_are_said_in_the_order_that_the_house_has(): void
    {
        $said = [];
        foreach ([JoinOrder::ScreenFirst, JoinOrder::Across] as $order) {
            foreach ((new EndsOfTheCatalogue(ShippedCatalogue::load(), [$order]))->all() as $end) {
                if ($end->name === 'Screened pair, foil and drain → xlr3-male-panel, rear') {
                    $said[$order->value] = self::of($end)['join'];

                    break;
                }
            }
        }
        self::assertSame(
            [
                'screen-first' => 'Solder 2 cores and the drain into terminals 1, 2, 3',
                'across' => 'Solder 2 cores and the drain into terminals 2, 1, 3',
            ],
            $said,
        );
    }

    /** Nobody cuts 72 lengths, and nobody marks thousandths: one length for a block, to the millimetre. */
    public function test_blocks_are_said_by_their_lengths(): void
    {
        $said = self::words('rectangular-crimp', '24-pair')['blocks'];
        self::assertMatchesRegularExpression(
            '~^Cut 48 cores and 24 drains to length: (\d+ mm(, )?){2,3} from the edge of the sheath$~',
            $said,
        );
    }

    public function test_one_core_is_called_by_its_colour_and_the_middle_of_a_coax_is_its_centre(): void
    {
        $mains = self::words('mains-screws', 'North American');
        self::assertSame('Put a ferrule on the green core', $mains['earth-ferrule']);
        self::assertSame('Screw the green core into terminal PE', $mains['earth-in']);
        $bnc = self::words('bnc-crimp', 'Standard coax 75');
        self::assertSame(
            'Take off the dielectric of the centre: 2.8 mm of it, from its own end',
            $bnc['dielectric-off'],
        );
    }

    /** No verb is without words, and none says nothing. */
    public function test_every_step_of_every_end_is_said(): void
    {
        $verbs = [];
        foreach (self::ends() as $end) {
            if ($end->procedure === null || isset($verbs[$end->procedure->id])) {
                continue;
            }
            foreach (self::of($end) as $id => $words) {
                self::assertMatchesRegularExpression('~^[A-Z]~', $words, $id);
                self::assertDoesNotMatchRegularExpression('~  |%|: $|(Fill|into) nothing~', $words, $id);
                $verbs[$end->procedure->id][] = Procedures::step($end->procedure, $id)->verb;
            }
        }
        $all = array_unique(array_merge(...array_values($verbs)), SORT_REGULAR);
        self::assertGreaterThan(20, count($all));
        self::assertContains(Verb::Ferrule, $all);
    }
}
