<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Catalogue\ElementKind;

/** What lies in a cable: common practice. */
final class ElementKindTest extends TestCase
{
    public function test_what_is_laid_up_in_twos_threes_and_fours_is_twisted_and_nothing_else(): void
    {
        self::assertSame(
            ['pair', 'quad', 'triad'],
            self::among(static fn (ElementKind $kind): bool => $kind->isTwisted()),
        );
    }

    public function test_drains_and_screens_have_no_insulation_of_their_own(): void
    {
        self::assertSame(['drain', 'screen'], self::among(static fn (ElementKind $kind): bool => $kind->isBare()));
    }

    /**
     * @param  callable(ElementKind): bool  $are
     * @return list<string>
     */
    private static function among(callable $are): array
    {
        $values = array_map(
            static fn (ElementKind $kind): string => $kind->value,
            array_values(array_filter(ElementKind::cases(), $are)),
        );
        sort($values);

        return $values;
    }
}
