<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Measure\Figure;

/** How far one circuit goes, beside how far it may go. */
final readonly class Reach
{
    /** Of a limit: a tenth of a micrometre in a hundred metres. */
    private const INEXACT = 1e-9;

    /**
     * @param  ?Figure  $used  of the limit, in its unit; null: not to be known
     * @param  ?Figure  $limit  what may be used
     * @param  ?float  $margin  per cent of the limit that is left; below nothing: beyond it
     * @param  ?float  $decibels  that are left, where the limit is a loss
     * @param  string  $missing  what a cable type does not state
     * @param  list<array{string, Figure}>  $information  other figures of the line, with what they are
     */
    public function __construct(
        public ReachVerdict $verdict,
        public string $kind,
        public ?Figure $used,
        public ?Figure $limit,
        public ?float $margin,
        public ?float $decibels = null,
        public string $missing = '',
        public array $information = [],
    ) {
    }

    /** Beyond it by more than sums of binary fractions are off by: 102 m is 102 m, however it came about. */
    public static function exceeds(float $used, float $limit): bool
    {
        return $used > $limit + abs($limit) * self::INEXACT;
    }

    /** @param  list<array{string, Figure}>  $information */
    public static function unknown(string $kind, string $missing, array $information = []): self
    {
        return new self(ReachVerdict::Unknown, $kind, null, null, null, null, $missing, $information);
    }

    /**
     * @param  float  $planned  share of the limit that is planned to: 1 for all of it
     * @param  list<array{string, Figure}>  $information
     */
    public static function against(
        string $kind,
        Figure $used,
        Figure $limit,
        float $planned = 1.0,
        bool $isLoss = false,
        array $information = [],
    ): self {
        $verdict = match (true) {
            self::exceeds($used->value, $limit->value) => ReachVerdict::Beyond,
            self::exceeds($used->value, $limit->value * $planned) => ReachVerdict::Tight,
            default => ReachVerdict::Reaches,
        };
        $left = self::exceeds($used->value, $limit->value)
            ? $limit->value - $used->value
            : max(0.0, $limit->value - $used->value);

        return new self(
            $verdict,
            $kind,
            $used,
            $limit,
            $limit->value > 0 ? (100 * $left) / $limit->value : 0.0,
            $isLoss ? $left : null,
            '',
            $information,
        );
    }
}
