<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Near;

use Sartal\Core\Given\Installation\Run;

/** From where to where a run goes, and with which cable: those of one take the same ways, but for pinned ones. */
final readonly class Course
{
    private function __construct(public string $from, public string $to, public string $cable)
    {
    }

    /** @return string "" where it lies in no building */
    public static function of(Run $run): string
    {
        return $run->isLoose() ? '' : implode("\n", [$run->a->location, $run->b->location, $run->cable]);
    }

    public static function read(string $text): self
    {
        [$from, $to, $cable] = [...explode("\n", $text), '', '', ''];

        return new self($from, $to, $cable);
    }
}
