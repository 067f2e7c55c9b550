<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Measure\Ascending;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/** How long things take: by the crew's own record where that says enough, else by standard times. */
final readonly class TimeBook
{
    /** As many of a kind say enough. */
    private const ENOUGH = 5;

    /** @var array<int|string, float> pace → min for one, of those that were measured often enough */
    private array $middle;

    /** @param  array<int|string, Ascending>  $measured  pace → min for one, pauses taken off */
    public function __construct(private array $measured = [])
    {
        $enough = array_filter($measured, static fn (Ascending $of): bool => $of->count() >= self::ENOUGH);
        $this->middle = array_map(static fn (Ascending $of): float => $of->middle() ?? 0.0, $enough);
    }

    public function minutes(Pace $pace): float
    {
        return $this->middle[$pace->value] ?? $pace->minutes();
    }

    /**
     * @param  array<int|string, float>  $amounts  pace → how much of it
     * @return float min
     */
    public function sum(array $amounts): float
    {
        $minutes = 0.0;
        foreach ($amounts as $pace => $amount) {
            $minutes += ($this->middle[$pace] ?? Pace::from((string) $pace)->minutes()) * $amount;
        }

        return $minutes;
    }

    public function isMeasured(Pace $pace): bool
    {
        return $this->count($pace) >= self::ENOUGH;
    }

    public function of(Operation $operation): float
    {
        return $this->minutes($operation->pace) * $operation->amount;
    }

    /** A time with what it rests on. */
    public function figure(Pace $pace): Figure
    {
        $standard = $pace->minutes();
        $terms = [
            new FigureTerm('standard', 'practised hands', Figure::amount($standard, 'min', 2), 'common practice'),
        ];
        $count = $this->count($pace);
        if ($count > 0) {
            $terms[] = new FigureTerm(
                'measured',
                sprintf(
                    'the middle one of %d%s',
                    $count,
                    $count < self::ENOUGH ? sprintf('; from %d on it counts', self::ENOUGH) : '',
                ),
                Figure::amount(($this->measured[$pace->value] ?? null)?->middle() ?? 0.0, 'min', 2),
                'this crew’s record',
            );
        }

        return new Figure($this->minutes($pace), 'min', $terms, 2);
    }

    private function count(Pace $pace): int
    {
        return ($this->measured[$pace->value] ?? null)?->count() ?? 0;
    }
}
