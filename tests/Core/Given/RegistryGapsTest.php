<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use DateTimeZone;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Clock\NativeClock;

final class RegistryGapsTest extends TestCase
{
    public function test_first_and_last(): void
    {
        self::assertSame([1, 3], [array_first(['b' => 1, 'a' => 2, 3]), array_last(['b' => 1, 'a' => 2, 3])]);
        self::assertNull(array_first([]));
        self::assertNull(array_last([]));
    }

    public function test_handlers_are_told_and_left_in_place(): void
    {
        $mine = static fn (): bool => true;
        set_error_handler($mine);
        try {
            self::assertSame($mine, get_error_handler());
            self::assertSame($mine, get_error_handler());
        } finally {
            restore_error_handler();
        }
        set_exception_handler($mine);
        self::assertSame($mine, get_exception_handler());
        restore_exception_handler();
    }

    public function test_the_clock_keeps_its_zone(): void
    {
        $clock = (new NativeClock('UTC'))->withTimeZone(new DateTimeZone('Europe/Lisbon'));
        self::assertSame('Europe/Lisbon', $clock->now()->getTimezone()->getName());
        self::assertEqualsWithDelta(time(), $clock->now()->getTimestamp(), 2);
    }
}
