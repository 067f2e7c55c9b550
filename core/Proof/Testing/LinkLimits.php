<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Given\Installation\Method;

/**
 * What a permanent link of four-pair cable may have at most, whatever was
 * planned. Source: ANSI/TIA-568 and ISO/IEC 11801 (from memory).
 */
final class LinkLimits
{
    /** Ω, both cores of a pair one after the other. */
    public const LOOP = 21.0;

    /** ns */
    public const DELAY = 498.0;

    /** ns between the fastest pair and the slowest. */
    public const SKEW = 44.0;

    /** m */
    public const LENGTH = 90.0;

    /** @return list<string> what is over, in words */
    public static function over(Expectation $expectation, Reading $reading): array
    {
        if (! $expectation->setup->makeup->category) {
            return [];
        }
        $over = $delays = [];
        foreach ($reading->samples as $sample) {
            $value = $sample->value;
            if ($sample->question->method !== Method::Certifier || ! is_float($value)) {
                continue;
            }
            [$what, $limit, $unit] = match (CertifierSense::asked($sample->question->at)) {
                CertifierSense::DELAY => ['delay', self::DELAY, 'ns'],
                CertifierSense::LOOP => ['loop resistance', self::LOOP, 'Ω'],
                default => ['length', self::LENGTH, 'm'],
            };
            if ($what === 'delay') {
                $delays[] = $value;
            }
            if ($value > $limit) {
                $over[$what] = sprintf('%s of %.1f %s is over %g %s', $what, $value, $unit, $limit, $unit);
            }
        }
        $skew = count($delays) > 1 ? max($delays) - min($delays) : 0.0;
        if ($skew > self::SKEW) {
            $over['skew'] = sprintf('skew of %.1f ns is over %g ns', $skew, self::SKEW);
        }

        return array_values($over);
    }
}
