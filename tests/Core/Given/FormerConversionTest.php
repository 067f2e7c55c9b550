<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\CatalogueDecoder;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\File\Fields;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Former\FormerConversion;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Onto;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Bench\EndSheets;
use Sartal\Core\Work\Bench\SheetLeg;
use Tests\Support\Bench;
use Tests\Support\FormerFixtures;

/** Catalogues from before there were procedures, or from when procedures stood for recipes. */
final class FormerConversionTest extends TestCase
{
    /** @return array<string, mixed> as the last version that followed recipes wrote the whole of it */
    private static function before(): array
    {
        $shape = self::shape(ShippedCatalogue::load());
        $then = FormerFixtures::catalogue();
        foreach ($shape['connectors'] as $i => $connector) {
            unset($shape['connectors'][$i]['cable']['procedures']);
            if (isset($then['connectors'][$connector['id']])) {
                $shape['connectors'][$i]['cable']['recipes'] = $then['connectors'][$connector['id']];
            }
        }
        $shape['recipes'] = $then['recipes'];
        unset($shape['procedures'], $shape['former']);

        return $shape;
    }

    /** @return array<string, mixed> */
    private static function shape(Catalogue $catalogue): array
    {
        return json_decode((string) json_encode(CatalogueEncoder::catalogue($catalogue)), true);
    }

    /** @return array<string, mixed> */
    private static function procedure(string $id): array
    {
        $type = ShippedCatalogue::load()->procedures()[$id];

        return json_decode((string) json_encode(CatalogueEncoder::type($type)), true);
    }

    /** @param  array<string, mixed>  $shape */
    private static function decoded(array $shape): Catalogue
    {
        $problems = new Problems();
        $fields = Fields::from($shape, 'catalogue', $problems);
        $catalogue = CatalogueDecoder::catalogue($fields);
        $fields->done();
        $problems->settle();

        return $catalogue;
    }

    /**
     * @param  array<string, mixed>  $shape
     * @return array<string, mixed>
     */
    private static function withSheathOff(array $shape, string $recipe, string $at): array
    {
        foreach ($shape['recipes'] as $i => $each) {
            if ($each['id'] === $recipe) {
                $shape['recipes'][$i]['steps'][0]['at'] = $at;
            }
        }

        return $shape;
    }

    public function test_what_shipped_with_recipes_is_what_ships_with_procedures(): void
    {
        $shipped = ShippedCatalogue::load();
        $made = FormerConversion::of(self::decoded(self::before()), $shipped);
        $looked = 0;
        // Types that ship since were never made by recipes.
        $then = FormerFixtures::catalogue()['connectors'];
        foreach (array_intersect_key($shipped->connectors(), $then) as $id => $type) {
            self::assertSame($type->cable->procedures, $made->theConnector($id)->cable->procedures, (string) $id);
            $looked += $type->cable->procedures === [] ? 0 : 1;
        }
        self::assertGreaterThan(50, $looked);
        // No recipe was the house\'s own, so none became a procedure of its own.
        self::assertSame([], $made->procedures());
        self::assertCount(30, $made->former->recipes);
        self::assertSame([], $made->former->ownAmong($made->plus($shipped)->procedures(), $shipped->former->marks));
    }

    public function test_done_again_it_changes_nothing_and_nothing_is_lost_on_the_way_through_a_file(): void
    {
        $shipped = ShippedCatalogue::load();
        $shape = self::withSheathOff(self::before(), 'pair-to-cup', '21 mm');
        $once = FormerConversion::of(self::decoded($shape), $shipped);
        $read = self::decoded(self::shape($once));
        self::assertEquals(self::shape($once), self::shape(FormerConversion::of($once, $shipped)));
        self::assertEquals(self::shape($once), self::shape(FormerConversion::of($read, $shipped)));
        self::assertEquals($once->former->recipes, $read->former->recipes);
        self::assertEquals($once->former->named, $read->former->named);
        // Written down before anybody asked what makes its ends, it says as much.
        $unasked = self::decoded(self::shape(self::decoded($shape)));
        self::assertEquals(self::shape($once), self::shape(FormerConversion::of($unasked, $shipped)));
    }

    /** A recipe of the house is a procedure with its lengths, and is followed where that recipe was. */
    public function test_a_recipe_of_the_house_becomes_a_procedure(): void
    {
        $shipped = ShippedCatalogue::load();
        $shape = self::withSheathOff(self::before(), 'pair-to-cup', '21 mm');
        $made = FormerConversion::completed(self::decoded($shape), $shipped);
        $own = $made->procedure('pair-to-cup-as-cup-3-pole');
        self::assertNotNull($own);
        self::assertSame('Screened pair to solder cups', $own->name);
        $named = $made->theConnector('xlr3-male-cable')->cable->procedures;
        self::assertSame('pair-to-cup-as-cup-3-pole', $named['screened-pair']);
        self::assertSame('cup-3-pole', $named['star-quad'], 'another recipe stood for those');
        $lengths = static fn (string $id): array => array_column(
            array_map(
                static fn (MakingStep $step): array => [$step->id, $step->measure?->length->canonical()],
                $made->procedure($id)->steps ?? [],
            ),
            1,
            0,
        );
        $is = $lengths('pair-to-cup-as-cup-3-pole');
        self::assertSame('21 mm', $is['sheath-off']);
        self::assertSame(array_keys($lengths('cup-3-pole')), array_keys($is), 'it has the same steps');
        self::assertSame(
            [$own->id],
            array_column($made->former->ownAmong($made->procedures(), $shipped->former->marks), 'id'),
        );
        // What the connector demands of the end is as it was, and its end meets that.
        $leg = self::leg(Bench::microphone()->installation->withCatalogue($made));
        self::assertSame($own->id, $leg->made?->procedure->id);
        self::assertTrue($leg->isRight());
    }

    public function test_a_copy_that_stood_for_recipes_in_some_connectors_is_named_by_those(): void
    {
        $shipped = ShippedCatalogue::load();
        $shape = self::before();
        $copy = self::procedure('cup-3-pole');
        $shape['procedures'] = [[
            ...$copy,
            'id' => 'cups-of-the-house',
            'name' => 'Cups as the house has them',
            'inPlaceOf' => ['pair-to-cup'],
            'connectors' => ['xlr3-male-cable'],
        ]];
        $made = FormerConversion::completed(self::decoded($shape), $shipped);
        $by = static fn (string $connector): ?string => $made->procedureFor(
            $made->theConnector($connector),
            'screened-pair',
        )?->id;
        self::assertSame('cups-of-the-house', $by('xlr3-male-cable'));
        self::assertSame('cup-3-pole', $by('xlr3-female-cable'));
        self::assertSame('cup-3-pole', $made->procedureFor($made->theConnector('xlr3-male-cable'), 'star-quad')?->id);
    }

    /** Lengths that a pinned procedure took from recipes come with it: nothing that it makes is as long as nothing. */
    public function test_a_pinned_procedure_brings_what_its_recipes_said_of_terminals(): void
    {
        $shipped = ShippedCatalogue::load();
        $shape = self::before();
        $pinned = self::procedure('phone-3-contact');
        unset($pinned['reaches']);
        $pinned['inPlaceOf'] = ['pair-to-phone', 'quad-to-phone'];
        $pinned['connectors'] = ['trs-plug', 'trs-plug-chuck'];
        $shape['procedures'] = [$pinned];
        $as = FormerConversion::of(self::decoded($shape), $shipped)->procedures()['phone-3-contact'];
        self::assertEquals($shipped->procedures()['phone-3-contact']->reaches, $as->reaches);
        foreach ($shape['recipes'] as $i => $recipe) {
            if ($recipe['id'] === 'pair-to-phone') {
                $shape['recipes'][$i]['cores']['hot'] = '8 mm';
            }
        }
        $own = FormerConversion::of(self::decoded($shape), $shipped)->procedures()['phone-3-contact'];
        $core = Onto::Core;
        self::assertSame('8 mm', $own->reach('screened-pair', 'hot', $core)?->written);
        self::assertSame('10 mm', $own->reach('star-quad', 'hot', $core)?->written);
        self::assertSame('12 mm', $own->reach('screened-pair', 'cold', $core)?->written);
    }

    /** A leg that chose a recipe is made by what makes that recipe\'s ends since. */
    public function test_a_leg_goes_on_as_it_chose(): void
    {
        $chosen = [
            'cores-to-cup' => ['22 mm', 'cups-5-pole'],
            'pair-to-cup' => ['21 mm', 'pair-to-cup-as-cup-3-pole'],
        ];
        foreach ($chosen as $recipe => [$at, $expected]) {
            $file = json_decode((new InstallationFile(
                Bench::microphone()->installation->withCatalogue(self::decoded(
                    self::withSheathOff(self::before(), $recipe, $at),
                )),
                new Record(),
                [],
            ))->print(), true);
            unset($file['runs'][0]['a']['legs'][0]['procedure']);
            $file['runs'][0]['a']['legs'][0]['recipe'] = $recipe;
            $read = InstallationFile::parse((string) json_encode($file))->installation;
            $in = $read->withCatalogue(FormerConversion::completed($read->catalogue, ShippedCatalogue::load()));
            self::assertSame($expected, self::leg($in)->made?->procedure->id, $recipe);
        }
    }

    private static function leg(Installation $in): SheetLeg
    {
        $plan = (new Planner())->plan($in);
        $run = $in->theRun('A-1');
        $sheet = (new EndSheets($in))->of($run, Side::A, $plan->runs['A-1']);
        self::assertNotNull($sheet);

        return $sheet->fittings[0]->legs[0];
    }

    /** A connector that names nothing is made in the manner of what is joined alike, and every figure is asked for. */
    public function test_a_connector_that_names_nothing_has_something_stand_in(): void
    {
        $bench = Bench::microphone()->withCatalogueEdited([
            'connectors.xlr3-female-cable.cable.procedures' => [],
        ]);
        $made = self::leg($bench->installation)->made;
        self::assertSame('like-cups-d-sub', $made?->procedure->id);
        $measured = array_filter(
            array_map(static fn (MakingStep $step) => $step->measure, $made->procedure->steps),
        );
        self::assertNotSame([], $measured);
        foreach ($measured as $measure) {
            self::assertTrue($measure->isAsked);
        }
        $shipped = ShippedCatalogue::load();
        foreach ($shipped->connectors() as $type) {
            $standIn = $shipped->standIn($type);
            if ($type->domain->value === 'mains' && $type->cable->terminals !== []) {
                self::assertSame('like-mains-screws', $standIn?->id, 'nothing secures less');
            } elseif ($standIn !== null) {
                self::assertNotSame('like-mains-screws', $standIn->id);
            }
            self::assertTrue($type->cable->terminals === [] || $standIn !== null, $type->id);
        }
    }
}
