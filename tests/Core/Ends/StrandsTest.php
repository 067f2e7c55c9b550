<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Findings\Finding;
use Tests\Support\Bench;

/** Solid and stranded conductors in terminals that take one or the other: what is said of it, and of what. */
final class StrandsTest extends TestCase
{
    /** @return list<Finding> */
    private static function strands(Bench $bench): array
    {
        return array_values(
            array_filter(
                $bench->plan()->findings(),
                static fn (Finding $finding): bool => $finding->code === 'fit.strands',
            ),
        );
    }

    public function test_it_says_what_the_cable_has_and_what_the_contact_is_made_for(): void
    {
        $solid = self::strands(Bench::category('8p8c-plug-stranded-t568b'))[0];
        self::assertStringContainsString('has solid conductors', $solid->words);
        self::assertStringEndsWith('is made for stranded.', $solid->words);
        self::assertSame('Choose its version for solid, or a cable with stranded conductors.', $solid->remedy);
        self::assertStringStartsNotWith('End', $solid->withoutPlace(), 'asked of a kind, it names no end');
        self::assertStringStartsWith('End B of C-1: ', $solid->words);
    }

    public function test_a_drain_goes_where_a_core_of_as_many_strands_would_not(): void
    {
        $cores = [
            'cables.pair-foil.construction.children.0.children.0.strands' => 1,
            'cables.pair-foil.construction.children.0.children.1.strands' => 1,
        ];
        $terminals = array_fill_keys(
            [
                'connectors.xlr3-male-cable.cable.terminals.0.strands',
                'connectors.xlr3-female-cable.cable.terminals.0.strands',
            ],
            'solid',
        );
        self::assertSame([], self::strands(Bench::microphone()->withCatalogueEdited($cores + $terminals)));
        self::assertNotSame([], self::strands(Bench::microphone()->withCatalogueEdited($terminals)));
    }
}
