<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/** How long things take: by the crew's own record where that says enough, else by standard times. */
final readonly class TimeBook
{
    /** As many of a kind say enough. */
    private const ENOUGH = 5;

    /** @var array<int|string, float> pace → the middle one, min */
    private array $middle;

    /** @param  array<int|string, list<float>>  $measured  pace → min for one, pauses taken off */
    public function __construct(private array $measured = [])
    {
        $this->middle = array_map(
            self::median(...),
            array_filter($measured, static fn (array $values): bool => $values !== []),
        );
    }

    public function minutes(Pace $pace): float
    {
        return $this->isMeasured($pace) ? $this->middle[$pace->value] : $pace->minutes();
    }

    public function isMeasured(Pace $pace): bool
    {
        return count($this->measured[$pace->value] ?? []) >= self::ENOUGH;
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
        $count = count($this->measured[$pace->value] ?? []);
        if ($count > 0) {
            $terms[] = new FigureTerm(
                'measured',
                sprintf(
                    'the middle one of %d%s',
                    $count,
                    $count < self::ENOUGH ? sprintf('; from %d on it counts', self::ENOUGH) : '',
                ),
                Figure::amount($this->middle[$pace->value] ?? 0.0, 'min', 2),
                'this crew’s record',
            );
        }

        return new Figure($this->minutes($pace), 'min', $terms, 2);
    }

    /** @param  non-empty-list<float>  $values */
    private static function median(array $values): float
    {
        sort($values);
        $half = intdiv(count($values), 2);

        return count($values) % 2 === 1 ? $values[$half] : ($values[$half - 1] + $values[$half]) / 2;
    }
}
