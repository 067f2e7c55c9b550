<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use App\Planning\ShippedCatalogue;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\Boot;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\ContactPlan;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\SignalType;

/** The shipped types hold together: nothing points at something that is not there. */
final class CatalogueTest extends TestCase
{
    /** @return iterable<string, array{ContactPlan}> */
    public static function plans(): iterable
    {
        foreach (ShippedCatalogue::load()->plans() as $id => $plan) {
            yield $id => [$plan];
        }
    }

    #[DataProvider('plans')]
    public function test_a_plan_uses_contacts_that_its_connector_has_each_once(ContactPlan $plan): void
    {
        $catalogue = ShippedCatalogue::load();
        self::assertArrayHasKey($plan->connector, $catalogue->connectors());
        $layout = FittingLayout::ofType($catalogue->connectors()[$plan->connector], $catalogue, $plan->inserts);
        self::assertSame([], $layout->unfit);
        self::assertNotSame([], $plan->channels);
        foreach ($plan->channels as $contacts) {
            foreach ($contacts as $address) {
                self::assertTrue($layout->has($address), $address);
            }
        }
        self::assertSame([], $plan->collisions());
    }

    #[DataProvider('plans')]
    public function test_a_plan_serves_a_signal_whole(ContactPlan $plan): void
    {
        $served = array_filter(ShippedCatalogue::load()->signals(), static function (SignalType $signal) use (
            $plan,
        ): bool {
            return $plan->channelsFor($signal) !== [];
        });
        self::assertNotSame([], $served);
        $channels = array_merge(
            ...array_map(static fn (SignalType $signal): array => $plan->channelsFor($signal), array_values($served)),
        );
        self::assertSame(
            [],
            array_diff(array_map(strval(...), array_keys($plan->channels)), $channels),
            'every channel serves some signal',
        );
    }

    /** @return iterable<string, array{ConnectorType}> */
    public static function connectors(): iterable
    {
        foreach (ShippedCatalogue::load()->connectors() as $id => $connector) {
            yield $id => [$connector];
        }
    }

    #[DataProvider('connectors')]
    public function test_a_connector_is_drawn_without_two_contacts_in_one_place(ConnectorType $connector): void
    {
        foreach (['face', 'wiring'] as $view) {
            $places = array_map(
                static fn ($cavity): string => $cavity->{$view}->x.','.$cavity->{$view}->y,
                $connector->cavities,
            );
            self::assertSame($places, array_values(array_unique($places)), $view);
        }
        self::assertTrue($connector->outline->width->nanometres > 0 && $connector->outline->height->nanometres > 0);
        self::assertTrue($connector->cavities !== [] || $connector->bays !== []);
    }

    #[DataProvider('connectors')]
    public function test_what_mates_faces_the_other_gender_and_meets_contact_for_contact(ConnectorType $connector): void
    {
        foreach ($connector->mates as $mode) {
            $other = ShippedCatalogue::load()->connectors()[$mode->with] ?? null;
            self::assertNotNull($other, $mode->with);
            // A pin goes into a socket; what has neither meets its like.
            $faced = ['male' => 'female', 'female' => 'male', 'neutral' => 'neutral'][$connector->gender->value];
            self::assertSame($faced, $other->gender->value, $mode->with);
            self::assertSame($connector->domain, $other->domain);
            self::assertNotNull($other->matesWith($connector), $mode->with.' does not mate back');
            foreach ($connector->cavities as $cavity) {
                $meets = array_filter(
                    $other->cavities,
                    static fn ($each): bool => $each->address === $mode->opposite($cavity->address),
                );
                self::assertCount(1, $meets, $cavity->address);
            }
        }
        self::assertNull($connector->matesWith($connector));
    }

    /** Power-in and power-out are keyed differently so that they cannot be confused. */
    public function test_power_in_does_not_mate_with_power_out(): void
    {
        $all = ShippedCatalogue::load()->connectors();
        self::assertNull($all['power-in-cable']->matesWith($all['power-out-panel']));
        self::assertNotEquals($all['power-in-cable']->outline->key, $all['power-out-cable']->outline->key);
        foreach ($all as $connector) {
            self::assertSame(
                $connector->domain->value === 'mains',
                str_contains(implode(' ', $connector->cautions), 'licensed'),
                $connector->id,
            );
        }
    }

    /** @return iterable<string, array{CableType}> */
    public static function cables(): iterable
    {
        foreach (ShippedCatalogue::load()->cables() as $id => $cable) {
            yield $id => [$cable];
        }
    }

    #[DataProvider('cables')]
    public function test_a_cable_can_carry_some_signal_and_says_every_gauge(CableType $cable): void
    {
        self::assertNotSame([], $cable->conductors());
        foreach ($cable->conductors() as $conductor) {
            self::assertNotNull($conductor->element->gauge, $conductor->path);
            self::assertNotSame('', $conductor->element->colour, $conductor->path);
        }
        self::assertTrue($cable->outerDiameter->nanometres > 0);
    }

    public function test_a_repeated_element_is_numbered(): void
    {
        $cable = ShippedCatalogue::load()->cables()['multicore-24'];
        self::assertCount(72, $cable->conductors());
        self::assertSame('pair 17', $cable->element('p17')?->label);
        self::assertCount(3, $cable->conductorsWithin('p17'));
        self::assertSame('p17', $cable->conductors()['p17/b']->twist);
        self::assertNull($cable->conductors()['p17/drain']->twist, 'a drain is not part of the twist');
    }

    public function test_every_file_keeps_to_the_published_schema(): void
    {
        $schema = json_decode(
            (string) file_get_contents(dirname(__DIR__, 3).'/docs/schema/installation.schema.json'),
            true,
        );
        $validator = new Validator();
        $checked = 0;
        foreach (
            [
                'cable' => 'cables',
                'connector' => 'connectors',
                'signal' => 'signals',
                'plan' => 'plans',
                'part' => 'parts',
            ] as $kind => $folder
        ) {
            $one = json_encode([
                '$schema' => $schema['$schema'],
                '$defs' => $schema['$defs'],
                '$ref' => '#/$defs/'.$kind,
            ]);
            foreach (glob(dirname(__DIR__, 3).'/catalogue/'.$folder.'/*.json') ?: [] as $file) {
                self::assertTrue(
                    $validator
                        ->validate(json_decode((string) file_get_contents($file)), json_decode((string) $one))
                        ->isValid(),
                    $file,
                );
                $checked++;
            }
        }
        self::assertGreaterThan(300, $checked);
    }

    /** @return iterable<string, array{SignalType}> */
    public static function signals(): iterable
    {
        foreach (ShippedCatalogue::load()->signals() as $id => $signal) {
            yield $id => [$signal];
        }
    }

    #[DataProvider('signals')]
    public function test_a_signal_says_what_the_common_faults_do_to_it(SignalType $signal): void
    {
        $names = array_map(static fn ($function): string => $function->name, $signal->functions);
        foreach (['open', 'short', 'swap'] as $fault) {
            self::assertNotSame('', $signal->consequence($fault, $names), $fault);
        }
        foreach ($signal->differential as $group) {
            self::assertSame([], array_diff($group, $names));
        }
        foreach ($signal->consequences as $consequence) {
            self::assertSame([], array_diff($consequence->functions, $names));
        }
    }

    public function test_the_most_telling_consequence_comes_first(): void
    {
        $signal = ShippedCatalogue::load()->signals()['analogue'];
        self::assertStringContainsString('Polarity', $signal->consequence('swap', ['cold', 'hot']));
        self::assertStringContainsString('phantom', $signal->consequence('swap', ['hot', 'screen']));
        self::assertStringContainsString('no return', $signal->consequence('open', ['screen']));
        self::assertSame('', $signal->consequence('unheard-of', []));
    }

    public function test_the_catalogue_is_as_wide_as_the_trade(): void
    {
        $catalogue = ShippedCatalogue::load();
        self::assertGreaterThanOrEqual(30, count($catalogue->cables()));
        self::assertGreaterThanOrEqual(35, count($catalogue->connectors()));
        $parts = array_count_values(array_map(static fn ($part): string => $part->kind->value, $catalogue->parts()));
        foreach (PartKind::cases() as $kind) {
            self::assertArrayHasKey($kind->value, $parts, 'no part of kind '.$kind->value);
        }
        $pairs = [];
        foreach ($catalogue->cables() as $cable) {
            if ($cable->family === 'multicore') {
                $pairs[] = count($cable->construction->children);
            }
        }
        sort($pairs);
        self::assertSame([4, 8, 12, 16, 24, 32, 48], $pairs);
        foreach (Boot::cases() as $boot) {
            self::assertNotSame(
                [],
                array_filter($catalogue->connectors(), static fn ($type): bool => $type->cable->boot === $boot),
            );
        }
    }

    public function test_nothing_names_a_part_procedure_or_type_that_is_not_there(): void
    {
        $catalogue = ShippedCatalogue::load();
        $named = [];
        foreach ($catalogue->connectors() as $id => $type) {
            foreach ($type->cable->parts() as $part) {
                self::assertArrayHasKey($part, $catalogue->parts(), $id);
            }
            foreach ($type->cable->procedures as $prepares => $procedure) {
                self::assertArrayHasKey($procedure, $catalogue->procedures(), $id);
                $named[$procedure] = true;
                self::assertNotSame(
                    [],
                    array_filter(
                        $catalogue->cables(),
                        static fn ($cable): bool => array_filter(
                            array_keys($cable->elements()),
                            static fn ($path): bool => $cable->prepares((string) $path) === $prepares,
                        ) !== [],
                    ),
                    "no cable prepares as $prepares",
                );
            }
            foreach ($type->bays as $bay) {
                self::assertNotSame(
                    [],
                    array_filter(
                        $catalogue->connectors(),
                        static fn ($insert): bool => $insert->family === $bay->accepts,
                    ),
                    $id,
                );
            }
            foreach ($type->cavities as $cavity) {
                self::assertTrue(
                    $cavity->kind === '' || isset($type->cable->terminals[$cavity->kind]),
                    $id.' '.$cavity->address,
                );
            }
        }
        self::assertSame(
            [],
            array_diff(
                array_keys(array_filter($catalogue->procedures(), static fn ($each): bool => $each->legs === [])),
                array_keys($named),
            ),
            'procedures that nothing names',
        );
        foreach ($catalogue->parts() as $part) {
            foreach ($part->ends as $end) {
                self::assertArrayHasKey($end, $catalogue->connectors(), $part->id);
            }
        }
        foreach ($catalogue->plans() as $plan) {
            foreach ($plan->byScheme as $stands) {
                self::assertSame($plan->connector, $catalogue->plans()[$stands]->connector, $plan->id);
            }
        }
    }

    #[DataProvider('connectors')]
    public function test_a_connector_that_is_made_to_a_cable_says_how(ConnectorType $connector): void
    {
        if ($connector->cavities === [] || $connector->cable->terminals === []) {
            self::assertTrue($connector->bays !== [] || $connector->mount->value === 'panel', $connector->id);

            return;
        }
        self::assertTrue($connector->cable->exits !== [] || $connector->mount->value === 'insert', 'no exit');
        self::assertNotSame([], $connector->cable->procedures, 'no procedure');
        foreach ($connector->cable->terminals as $terminal) {
            self::assertNotSame('', $terminal->tool, 'no tool');
        }
        if ($connector->mount->value === 'cable') {
            self::assertTrue(
                $connector->cable->entry !== null ||
                    $connector->family === 'terminal3' ||
                    $connector->family === 'terminal5',
                'no entry',
            );
        }
    }

    #[DataProvider('cables')]
    public function test_a_cable_says_what_a_bench_has_to_know(CableType $cable): void
    {
        self::assertNotSame('', $cable->prepares(''));
        self::assertGreaterThan(0, $cable->mass);
        self::assertNotNull($cable->bendRadius);
        self::assertGreaterThanOrEqual(
            4 * $cable->outerDiameter->nanometres * 0.99,
            $cable->bendRadius->nanometres,
            'tighter than four times its diameter',
        );
        foreach ($cable->conductors() as $conductor) {
            self::assertGreaterThan(0, $conductor->element->strands, $conductor->path);
            if (! $conductor->isBare()) {
                self::assertNotNull($conductor->element->diameter, $conductor->path);
                self::assertGreaterThan(
                    $conductor->gauge->diameter(),
                    $conductor->element->diameter->inMillimetres(),
                    'insulation has a thickness',
                );
            }
        }
    }
}
