<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

use InvalidArgumentException;

final class InvalidMeasure extends InvalidArgumentException
{
    public static function length(string $text): self
    {
        return new self(
            sprintf(
                '"%s" is not a length. Write a number and a unit, such as 12.4 m, 940 mm, 3 ft 6 in or 1/4 in.',
                $text,
            ),
        );
    }

    public static function ambiguous(string $text, string $one, string $other): self
    {
        return new self(sprintf('"%s" may be %s or %s. Write it as one of the two.', $text, $one, $other));
    }

    public static function decimals(string $text, int $most): self
    {
        return new self(sprintf('"%s" has more than %d digits after the point. Leave some out.', $text, $most));
    }

    public static function beyondRange(string $text): self
    {
        return new self(sprintf('"%s" is out of range. Lengths run from -100 km to 100 km.', $text));
    }

    public static function step(): self
    {
        return new self('A rounding step must be longer than nothing.');
    }

    public static function gauge(string $text): self
    {
        return new self(
            sprintf(
                '"%s" is not a wire gauge. Write an AWG number from 0 to 40, such as 24 AWG, or an area such as 0.22 '.
                    'mm2.',
                $text,
            ),
        );
    }
}
