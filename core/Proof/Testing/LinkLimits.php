<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Given\Installation\Method;

/** What of a reading is over what a permanent link may have, whatever was planned. */
final class LinkLimits
{
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
                CertifierSense::DELAY => ['delay', PermanentLink::DELAY, 'ns'],
                CertifierSense::LOOP => ['loop resistance', PermanentLink::LOOP, 'Ω'],
                default => ['length', PermanentLink::LENGTH, 'm'],
            };
            if ($what === 'delay') {
                $delays[] = $value;
            }
            if ($value > $limit) {
                $over[$what] = sprintf('%s of %.1f %s is over %g %s', $what, $value, $unit, $limit, $unit);
            }
        }
        $skew = count($delays) > 1 ? max($delays) - min($delays) : 0.0;
        if ($skew > PermanentLink::SKEW) {
            $over['skew'] = sprintf('skew of %.1f ns is over %g ns', $skew, PermanentLink::SKEW);
        }

        return array_values($over);
    }
}
