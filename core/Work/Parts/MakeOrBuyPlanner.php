<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Plan\Planning\Plan;

/** What making an assembly comes to, beside what somebody asks for it ready made. */
final readonly class MakeOrBuyPlanner
{
    private PartsPlanner $parts;

    private Labour $labour;

    public function __construct(private Installation $installation, private Plan $plan)
    {
        $this->parts = PartsPlanner::planned($installation, $plan);
        $this->labour = new Labour($installation);
    }

    public function of(Assembly $assembly): MakeOrBuy
    {
        $list = $this->parts->list($assembly->runs);
        $minutes = $this->labour->of($assembly, $this->plan->runs);
        $economy = $this->installation->economy();
        $labour = ($minutes->value * $economy->rate) / 60;
        $money = static fn (float $amount): string => Figure::amount($amount, $economy->currency, 2);
        $terms = $unpriced = [];
        $parts = 0.0;
        foreach ($list->lines as $line) {
            if ($line->needed->value <= 0.0) {
                continue;
            }
            if ($line->worth === null) {
                $unpriced[] = $line->name;

                continue;
            }
            $parts += $line->worth;
            $terms[] = new FigureTerm(
                $line->name,
                $line->needed->text(),
                $money($line->worth),
                'price typed in, by the share of a pack',
            );
        }
        $make = $parts + $labour;
        $terms[] = new FigureTerm(
            'time',
            sprintf('%s at %s an hour', $minutes->text(), $money($economy->rate)),
            $money($labour),
            'rate of the installation',
        );
        if ($unpriced !== []) {
            $terms[] = new FigureTerm('without a price', implode(', ', $unpriced), '', 'making costs at least this');
        }
        $buy = $economy->bought[$assembly->id] ?? null;
        $saving =
            $buy === null || $buy <= 0.0
                ? null
                : new Figure(
                    (100 * ($buy - $make)) / $buy,
                    '%',
                    [
                        new FigureTerm(
                            'saving',
                            sprintf('(%s − %s) ÷ %s', $money($buy), $money($make), $money($buy)),
                            '',
                            '(buy − make) ÷ buy',
                        ),
                    ],
                    0,
                );

        return new MakeOrBuy(
            $assembly->id,
            $minutes,
            new Figure($make, $economy->currency, $terms, 2),
            $buy,
            $saving,
            $unpriced,
        );
    }
}
