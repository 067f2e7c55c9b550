<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\CatalogueDecoder;
use Sartal\Core\File\CatalogueEncoder;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Installation\HouseRules;

/** Catalogue types and what is decided about terminations, out of their JSON shape and into it. */
final class TypeCodecsTest extends TestCase
{
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

    /** @return array<string, mixed> */
    private static function shape(Catalogue $catalogue): array
    {
        return json_decode((string) json_encode(CatalogueEncoder::catalogue($catalogue)), true);
    }

    public function test_the_whole_shipped_catalogue_goes_out_and_in_with_nothing_lost(): void
    {
        $shape = self::shape(ShippedCatalogue::load());
        self::assertSame($shape, self::shape(self::decoded($shape)));
    }

    /**
     * What is as it would be by default is left out, so that files stay short and a default can be told from a choice.
     */
    public function test_defaults_are_not_written(): void
    {
        $shape = self::shape(ShippedCatalogue::load());
        foreach ($shape['connectors'] as $connector) {
            self::assertNotSame('cable', $connector['mount'] ?? '');
            self::assertNotSame('contact', $connector['cable']['screen'] ?? '');
            self::assertNotSame('bare', $connector['cable']['boot'] ?? '');
            self::assertNotSame(false, $connector['retired'] ?? true);
            self::assertNotSame([], $connector['cable']['slides'] ?? null);
        }
        foreach ($shape['parts'] as $part) {
            self::assertNotSame(1, $part['pack'] ?? 0);
            self::assertNotSame(false, $part['split'] ?? true);
        }
    }

    /** @return iterable<string, array{string, string, mixed, string}> kind, path, value, part of the words */
    public static function slips(): iterable
    {
        yield 'an entry with one end' => ['connectors', 'cable.entry', ['3 mm'], 'list of two'];
        yield 'an entry the wrong way round' => [
            'connectors',
            'cable.entry',
            ['8 mm', '3 mm'],
            'smaller to the larger',
        ];
        yield 'an entry that is no length' => ['connectors', 'cable.entry', ['thin', 'thick'], 'is not a length'];
        yield 'a gauge the wrong way round' => [
            'connectors',
            'cable.terminals.0.gauge',
            ['18 AWG', '28 AWG'],
            'thinner to the thicker',
        ];
        yield 'a gauge that is none' => [
            'connectors',
            'cable.terminals.0.gauge',
            ['18 AWG', '99 AWG'],
            'not a wire gauge',
        ];
        yield 'a joining that is unknown' => [
            'connectors',
            'cable.terminals.0.joining',
            'glue',
            'should be one of: solder-cup',
        ];
        yield 'a terminal without a name' => ['connectors', 'cable.terminals.0.name', '', 'must not be empty'];
        yield 'a screen treated otherwise' => ['connectors', 'cable.screen', 'maybe', 'should be one of'];
        yield 'an exit nowhere' => ['connectors', 'cable.exits.0.at', [1], 'two numbers'];
        yield 'an exit too deep' => ['connectors', 'cable.exits.0.depth', '4 m', 'longer than'];
        yield 'hardware by the half' => ['connectors', 'cable.hardware', ['screw-m3' => 0.5], 'whole number'];
        yield 'an unknown field' => ['connectors', 'cable.colour', 'red', 'is not a field here'];
        yield 'no impedance' => ['connectors', 'impedance', 0, 'whole number from 1 to 1000'];
        yield 'a mount that is unknown' => ['connectors', 'mount', 'wall', 'should be one of: cable'];
        yield 'a negative mass' => ['cables', 'mass', -1, 'number from 0'];
        yield 'a fire class that is unknown' => ['cables', 'fire', 'hot', 'should be one of: unrated'];
        yield 'a negative bend' => ['cables', 'bendRadius', '-3 mm', 'is negative'];
        yield 'thinner than vacuum' => ['cables', 'construction.permittivity', 0.5, 'number from 1 to 100'];
        yield 'a metal that is unknown' => ['cables', 'construction.metal', 'tin', 'should be one of: copper'];
        yield 'half a strand' => ['cables', 'construction.strands', 0.5, 'whole number'];
        yield 'a part of no kind' => ['parts', 'kind', 'thing', 'should be one of: boot'];
        yield 'an empty pack' => ['parts', 'pack', 0, 'whole number from 1'];
        yield 'a reach that is no length' => ['procedures', 'reaches.0.length', 'far', 'is not a length'];
        yield 'a reach beyond reason' => ['procedures', 'reaches.0.length', '3 m', 'longer than'];
        yield 'a reach of something else' => ['procedures', 'reaches.0.joins', 'skin', 'should be one of: screen'];
        yield 'stands in for no joining' => ['procedures', 'standsIn.0', 'glue', 'is no way of joining'];
        yield 'a plan in blocks of less than nothing' => ['plans', 'block', -6, 'whole number from 0'];
        yield 'a signal that joins otherwise' => ['signals', 'joins', 'ring', 'should be one of: point-to-point'];
    }

    #[DataProvider('slips')]
    public function test_a_slip_is_named_with_its_field_value_and_remedy(
        string $kind,
        string $path,
        mixed $value,
        string $words,
    ): void {
        $ids = [
            'connectors' => 'xlr3-male-cable',
            'cables' => 'pair-foil',
            'parts' => 'chuck-narrow',
            'procedures' => 'mains-screws',
            'plans' => 'rect90-male-24ch',
            'signals' => 'dmx',
        ];
        $entry = array_column(self::shape(ShippedCatalogue::load())[$kind], null, 'id')[$ids[$kind]];
        $at = &$entry;
        foreach (explode('.', $path) as $key) {
            $at = &$at[$key];
        }
        $at = $value;
        unset($at);
        try {
            self::decoded([$kind => [$entry]]);
            self::fail('taken');
        } catch (InvalidDocument $invalid) {
            $said = implode(
                ' ',
                array_map(static fn ($problem): string => $problem->path.' '.$problem->words, $invalid->problems),
            );
            self::assertStringContainsString($words, $said);
            self::assertStringContainsString(
                explode('.', $path)[0] === 'cable' ? 'cable' : explode('.', $path)[0],
                $said,
            );
        }
    }

    public function test_house_rules_go_out_and_in_and_a_file_without_them_has_the_usual(): void
    {
        foreach (HouseRules::SCHOOLS as $school) {
            foreach ($school::cases() as $case) {
                $problems = new Problems();
                $shape = FileEncoder::rules(HouseRules::defaults()->with($case));
                self::assertEquals(
                    HouseRules::defaults()->with($case),
                    FileDecoder::rules(Fields::from($shape, '', $problems)),
                );
                $problems->settle();
            }
        }
        $problems = new Problems();
        self::assertEquals(
            HouseRules::defaults(),
            FileDecoder::rules(Fields::from(['routeAllowance' => 3], '', $problems)),
        );
    }

    /** A file that was written before these questions were asked reads as the usual answers. */
    public function test_an_older_file_still_reads(): void
    {
        $problems = new Problems();
        $rules = FileDecoder::rules(
            Fields::from(
                ['routeAllowance' => 5.0, 'cutStep' => '100 mm', 'screenAndDrain' => 'together', 'shell' => 'bonded'],
                '',
                $problems,
            ),
        );
        $problems->settle();
        self::assertSame('together', $rules->on(\Sartal\Core\Given\Schools\ScreenAndDrain::class)->value);
        self::assertSame('B', $rules->on(\Sartal\Core\Given\Schools\ColourScheme::class)->value);
    }

    public function test_a_connector_without_a_word_about_its_cable_asks_nothing(): void
    {
        $bare = self::decoded([
            'connectors' => [
                [
                    'id' => 'x',
                    'name' => 'x',
                    'family' => 'x',
                    'gender' => 'male',
                    'outline' => ['width' => '9 mm', 'height' => '9 mm', 'contact' => '1 mm'],
                    'cavities' => [['address' => '1', 'face' => [0, 0], 'wiring' => [0, 0]]],
                ],
            ],
        ])->connectors()['x'];
        self::assertNull($bare->cable->entry);
        self::assertNull($bare->cable->terminal($bare->cavities[0]));
        self::assertNull($bare->cable->exit('rear'));
        self::assertSame([], $bare->cable->parts());
    }
}
