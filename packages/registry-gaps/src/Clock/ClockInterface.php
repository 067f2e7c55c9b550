<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

use DateTimeImmutable;
use DateTimeZone;
use Psr\Clock\ClockInterface as PsrClockInterface;

/** The contract that the framework's date library type-hints. */
interface ClockInterface extends PsrClockInterface
{
    public function now(): DateTimeImmutable;

    public function sleep(float|int $seconds): void;

    public function withTimeZone(DateTimeZone|string $timezone): static;
}
