<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Given\Schools\LengthPractice;

/**
 * The length that a run is cut at: ways × (1 + route allowance) + what its
 * loom and its panels ask for + both tails + both service slacks + both
 * preparation lengths + spare re-terminations × preparation + what the ends use
 * up beyond what is stated, each time that they are made, rounded up to the cut
 * step. A loose lead has the length that was typed instead of ways and tails,
 * and what is left to trim where it lands. Source: common practice.
 */
final class CutLength
{
    /** mm that a loose lead is cut to, at the coarsest. */
    private const LEAD_STEP = 10;

    /** @throws InvalidMeasure when the house's cut step is nothing or the sum beyond 100 km */
    public static function work(Run $run, Installation $installation, Lay $lay): Worked
    {
        if ($run->isLoose()) {
            return self::lead($run, $installation);
        }
        $rules = $installation->rules();
        $ways = $lay->route->length();
        $through = array_map(
            static fn ($hop): string => sprintf('%s %s', $hop->way->name, $hop->way->length->canonical()),
            $lay->route->hops,
        );
        $a = $run->a;
        $b = $run->b;

        $terms = [
            new Term(
                'ways',
                implode(' + ', $through),
                $ways,
                $lay->route->pinned ? 'the ways that a planner pinned' : 'the shortest permitted way',
            ),
            new Term(
                'route allowance',
                self::percent($rules->routeAllowance).' of the ways',
                $ways->times($rules->routeAllowance / 100),
                'house rule',
            ),
            ...$lay->extra,
            self::both('tails', $a->tail, $b->tail),
            self::both('service slack', $a->slack, $b->slack),
            ...self::ends($run, $installation),
        ];
        if ($run->build === Build::Site) {
            $terms[] = new Term(
                'paid out long',
                'trimmed in place',
                $rules->payOut,
                'house rule for ends that are made in place',
            );
        }

        return Worked::roundedUp($terms, $rules->cutStep);
    }

    /** @throws InvalidMeasure as above */
    private static function lead(Run $run, Installation $installation): Worked
    {
        return Worked::roundedUp(
            [
                new Term('length of the lead', 'from connector to connector', $run->length ?? Length::zero(), 'typed'),
                ...$run->a->slack->isZero() && $run->b->slack->isZero()
                    ? []
                    : [self::both('to trim where it lands', $run->a->slack, $run->b->slack)],
                ...self::ends($run, $installation),
            ],
            // What is a hand long is not rounded up to the step of what goes through a building.
            self::finest($installation->rules()->cutStep),
        );
    }

    private static function finest(Length $step): Length
    {
        $fine = Length::millimetres(self::LEAD_STEP);

        return $step->compare($fine) > 0 ? $fine : $step;
    }

    /** @return list<Term> what both ends take, however long the cable is between them */
    private static function ends(Run $run, Installation $installation): array
    {
        $rules = $installation->rulesFor($run);
        [$a, $b] = [$run->a, $run->b];
        $terms = [
            self::both('preparation', $a->preparation, $b->preparation),
            new Term(
                'spare ends',
                sprintf(
                    '%d × %s + %d × %s',
                    $a->spares,
                    $a->preparation->canonical(),
                    $b->spares,
                    $b->preparation->canonical(),
                ),
                $a->preparation->times($a->spares)->plus($b->preparation->times($b->spares)),
                'each spare uses up one preparation',
            ),
            ...self::beyond($run, $installation),
        ];
        if ($rules->on(LengthPractice::class) === LengthPractice::CutLong) {
            $terms[] = new Term(
                'trim allowance',
                '2 × '.$rules->trimAllowance->canonical(),
                $rules->trimAllowance->times(2),
                'house rule: cut long, trim at the connector',
            );
        }

        return $terms;
    }

    /**
     * What making the ends takes of the cable, and nobody has stated.
     *
     * @return list<Term> none where what is stated is enough
     */
    private static function beyond(Run $run, Installation $installation): array
    {
        $details = [];
        $amount = Length::zero();
        foreach (Side::cases() as $side) {
            $end = $run->end($side);
            $used = UsedUp::at($run, $side, $installation)->length;
            if ($used === null || $used->compare($end->preparation) <= 0) {
                continue;
            }
            $more = $used->minus($end->preparation);
            $amount = $amount->plus($more->times($end->spares + 1));
            $details[] = sprintf(
                '%s %s used up − %s stated%s',
                $side->value,
                $used->canonical(),
                $end->preparation->canonical(),
                $end->spares === 0 ? '' : sprintf(', × %d', $end->spares + 1),
            );
        }

        return $details === []
            ? []
            : [
                new Term(
                    'used up beyond that',
                    implode('; ', $details),
                    $amount,
                    'how its ends are made',
                    Edition::Third,
                ),
            ];
    }

    private static function both(string $label, Length $a, Length $b): Term
    {
        return new Term($label, 'A '.$a->canonical().' + B '.$b->canonical(), $a->plus($b), 'stated at each end');
    }

    private static function percent(float $percent): string
    {
        return rtrim(rtrim(number_format($percent, 3, '.', ''), '0'), '.').' %';
    }
}
