<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/**
 * The most that a cable is pulled with: its type's own figure; else 110 N for
 * four-pair cable (TIA-568), 50 N for each mm² of its conductors for others
 * (common practice for copper).
 */
final readonly class PullRule
{
    private const FOUR_PAIR = 110.0;

    private const PER_AREA = 50.0;

    private function __construct(public float $newtons, public string $source)
    {
    }

    /**
     * Of cables that are pulled together: the weakest decides, because it may take all of the pull.
     *
     * @param  list<CableType>  $cables
     * @return Figure N
     */
    public static function among(array $cables): Figure
    {
        $terms = [];
        $least = INF;
        foreach ($cables as $cable) {
            $rule = self::for($cable);
            $terms[$cable->id] = new FigureTerm(
                $cable->name,
                '',
                Figure::amount($rule->newtons, 'N', 0),
                $rule->source,
            );
            $least = min($least, $rule->newtons);
        }

        return new Figure(
            $least === INF ? 0.0 : $least,
            'N',
            [
                ...array_values($terms),
                new FigureTerm('at most', 'the weakest decides', Figure::amount($least, 'N', 0), ''),
            ],
            0,
        );
    }

    public static function for(CableType $cable): self
    {
        if ($cable->pull !== null) {
            return new self($cable->pull, 'stated by the cable type');
        }
        if ($cable->category !== '') {
            return new self(self::FOUR_PAIR, 'four-pair cable, TIA-568');
        }
        $area = 0.0;
        foreach ($cable->conductors() as $conductor) {
            $area += $conductor->isBare() ? 0.0 : $conductor->gauge->area;
        }

        return new self(
            self::PER_AREA * $area,
            sprintf('50 N for each of %s mm² of its conductors, common practice', Figure::amount($area, '', 2)),
        );
    }
}
