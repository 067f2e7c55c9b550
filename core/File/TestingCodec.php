<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Instrument;
use Sartal\Core\Given\Installation\InstrumentKind;
use Sartal\Core\Given\Installation\Method;
use Sartal\Core\Given\Installation\TestChoices;
use Sartal\Core\Given\Installation\TestStage;

/** Test instruments, and what the house tests, from and into their JSON shape (docs/formats.md). */
final class TestingCodec
{
    /** What concerns the time after hand-over alone, and no plan. */
    public const IN_SERVICE = ['retestMonths', 'mainsMonths'];

    public static function instrument(Fields $fields): Instrument
    {
        $to = $fields->day('calibratedTo', 'where nothing runs out.');

        return new Instrument(
            FileDecoder::id($fields),
            $fields->name('name'),
            $fields->choice('kind', InstrumentKind::class),
            $fields->text('number', ''),
            $to,
        );
    }

    /** @return array<int|string, mixed> */
    public static function encodeInstrument(Instrument $instrument): array
    {
        return CatalogueEncoder::brief([
            'id' => $instrument->id,
            'name' => $instrument->name,
            'kind' => $instrument->kind->value,
            'number' => $instrument->number,
            'calibratedTo' => $instrument->calibratedTo,
        ]);
    }

    public static function rules(Fields $fields): TestChoices
    {
        $rules = new TestChoices(
            [],
            $fields->whole('retestMonths', 0, 600, 0),
            $fields->whole('mainsMonths', 0, 600, 0),
        );
        foreach ($fields->each('families', self::family(...)) as [$family, $stages]) {
            foreach ($stages as $stage => $methods) {
                $rules = $rules->with($family, TestStage::from($stage), $methods);
            }
        }
        $fields->done();

        return $rules;
    }

    /** @return array{string, array<int|string, list<Method>>} */
    private static function family(Fields $fields): array
    {
        $family = $fields->text('family');
        $stages = [];
        foreach (TestStage::cases() as $stage) {
            if (! $fields->has($stage->value)) {
                continue;
            }
            $methods = [];
            foreach ($fields->texts($stage->value) as $name) {
                $method = Method::tryFrom($name);
                $methods[] =
                    $method ??
                    $fields->wrong(
                        $stage->value,
                        $name,
                        'should be one of: '.
                            implode(', ', array_map(static fn (Method $each): string => $each->value, Method::cases())).
                            '.',
                        Method::Map,
                    );
            }
            $stages[$stage->value] = array_values(array_unique($methods, SORT_REGULAR));
        }
        $fields->done();

        return [$family, $stages];
    }

    /** @return array<int|string, mixed> */
    public static function encodeRules(TestChoices $rules): array
    {
        $families = [];
        foreach ($rules->byFamily as $family => $stages) {
            $families[] =
                ['family' => (string) $family] +
                array_map(
                    static fn (array $methods): array => array_map(
                        static fn (Method $method): string => $method->value,
                        $methods,
                    ),
                    $stages,
                );
        }

        return ['families' => $families] +
            array_filter(['retestMonths' => $rules->retestMonths, 'mainsMonths' => $rules->mainsMonths]);
    }
}
