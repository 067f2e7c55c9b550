<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\ReachRule;
use Sartal\Core\Given\Installation\VideoRate;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/**
 * Loss of coax at one frequency: serial video at half its clock, radio at the
 * frequency of the rule. Source: SMPTE ST 292-1, ST 424, ST 2081-1, ST 2082-1,
 * from memory.
 */
final readonly class LossLimit implements ReachLimit
{
    /** What is planned for where nobody said how fast. */
    private const USUAL = VideoRate::G3;

    public function judge(SignalLine $line, ReachRule $rule): Reach
    {
        $rate = $line->circuit->demand->rate ?? self::USUAL;
        $radio = $rule->kilohertz !== null;
        $hertz = $radio ? $rule->kilohertz * 1e3 : self::hertz($rate);
        $allowed = $rule->decibels ?? self::allowed($rate);
        $loss = $line->sum(
            static fn (Stretch $stretch): ?float => self::loss($stretch, $hertz),
            static fn (Stretch $stretch): string => sprintf(
                '%s × %s dB/m: %s in the conductors, %s in the dielectric',
                SignalLine::metres($stretch->metres()),
                Figure::amount((float) self::loss($stretch, $hertz) / max(1e-9, $stretch->metres()), '', 3),
                Figure::amount(self::conductors($stretch, $hertz), '', 3),
                Figure::amount(self::dielectric($stretch, $hertz), '', 3),
            ),
            'dB',
            1,
            'geometry of the coax, copper, tan δ of the dielectric',
        );
        if (is_string($loss)) {
            return Reach::unknown(
                'loss',
                $loss.' does not state the geometry of its coax and the loss of its dielectric',
            );
        }
        $what = $radio
            ? sprintf('at %s MHz', Figure::amount($hertz / 1e6, ''))
            : sprintf(
                '%s at half its clock, %s MHz%s',
                $rate->value,
                Figure::amount($hertz / 1e6, ''),
                $line->circuit->demand->rate === null ? ' (nobody said how fast)' : '',
            );
        $limit = new Figure($allowed, 'dB', [
            new FigureTerm('loss allowed', $what, Figure::amount($allowed, 'dB'), $rule->source),
            new FigureTerm(
                'planned to',
                sprintf('%s %% of it', Figure::amount($rule->share ?? 100.0, '')),
                Figure::amount(($allowed * ($rule->share ?? 100.0)) / 100, 'dB'),
                '80 to 90 %, common practice',
            ),
        ]);
        $loop = $line->loop();

        return Reach::against(
            'loss',
            $loss,
            $limit,
            ($rule->share ?? 100.0) / 100,
            true,
            $loop instanceof Figure ? [['loop resistance', $loop]] : [],
        );
    }

    public static function hertz(VideoRate $rate): float
    {
        return match ($rate) {
            VideoRate::HD => 742.5e6,
            VideoRate::G3 => 1.485e9,
            VideoRate::G6 => 2.97e9,
            VideoRate::G12 => 5.94e9,
        };
    }

    /** dB at half the clock. */
    public static function allowed(VideoRate $rate): float
    {
        return match ($rate) {
            VideoRate::HD, VideoRate::G3 => 20.0,
            VideoRate::G6, VideoRate::G12 => 40.0,
        };
    }

    private static function loss(Stretch $stretch, float $hertz): ?float
    {
        return $stretch->coax() === null || $stretch->lossTangent() === null
            ? null
            : $stretch->metres() * (self::conductors($stretch, $hertz) + self::dielectric($stretch, $hertz));
    }

    private static function conductors(Stretch $stretch, float $hertz): float
    {
        $coax = $stretch->coax();

        return $coax === null ? 0.0 : CoaxLoss::conductors($coax, $hertz);
    }

    private static function dielectric(Stretch $stretch, float $hertz): float
    {
        $coax = $stretch->coax();

        return $coax === null ? 0.0 : CoaxLoss::dielectric($coax, $stretch->lossTangent() ?? 0.0, $hertz);
    }
}
