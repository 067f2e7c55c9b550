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

    /** So many times as long is told apart where it need not be exact. */
    private const STEP = 1.1;

    /** @var array<int|string, float> timing → min for one, of those that were measured often enough */
    private array $middle;

    /**
     * @param  array<int|string, Ascending>  $measured  a pace, or what one step of a procedure is timed as → min for
     *     one, pauses taken off, see {@see Operation::timing()}
     */
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
     * @param  array<int|string, float>  $amounts  timing → how much of it
     * @return float min
     */
    public function sum(array $amounts): float
    {
        $minutes = 0.0;
        foreach ($amounts as $timing => $amount) {
            $minutes += $this->each((string) $timing) * $amount;
        }

        return $minutes;
    }

    /** min for one: by its own step where that was timed often enough, else by all work of its kind. */
    private function each(string $timing): float
    {
        $pace = strstr($timing, ' ', true);

        return $this->middle[$timing] ?? $this->minutes(Pace::from($pace === false ? $timing : $pace));
    }

    /** The same as long as nothing takes a tenth or so longer, or shorter, and as much is measured often enough. */
    public function roughly(): string
    {
        $middle = $this->middle;
        ksort($middle, SORT_STRING);
        $steps = [];
        foreach ($middle as $timing => $minutes) {
            $steps[] = sprintf('%s %d', $timing, $minutes > 0.0 ? (int) floor(log($minutes) / log(self::STEP)) : -1000);
        }

        return implode("\n", $steps);
    }

    public function isMeasured(Pace $pace): bool
    {
        return $this->counted($pace->value) >= self::ENOUGH;
    }

    /** How often it was measured: a pace, or what one step is timed as. */
    public function counted(string $timing): int
    {
        return ($this->measured[$timing] ?? null)?->count() ?? 0;
    }

    public function of(Operation $operation): float
    {
        return $this->each($operation->timing()) * $operation->amount;
    }

    /** A time with what it rests on. */
    public function figure(Pace $pace): Figure
    {
        $standard = new FigureTerm(
            'standard',
            'practised hands',
            Figure::amount($pace->minutes(), 'min', 2),
            'common practice',
        );

        return new Figure($this->minutes($pace), 'min', [$standard, ...$this->terms($pace->value)], 2);
    }

    /** The same of one step of a procedure, beside all work of its kind; null where nobody's time was taken at it. */
    public function step(Pace $pace, string $step): ?Figure
    {
        $timing = $pace->value.' '.$step;
        $own = $this->terms($timing);

        return $own === []
            ? null
            : new Figure($this->each($timing), 'min', [...$this->figure($pace)->terms, ...$own], 2);
    }

    /** @return list<FigureTerm> */
    private function terms(string $timing): array
    {
        $count = $this->counted($timing);

        return $count === 0 ? [] : [
            new FigureTerm(
                str_contains($timing, ' ') ? 'this step' : 'measured',
                sprintf(
                    'the middle one of %d%s',
                    $count,
                    $count < self::ENOUGH ? sprintf('; from %d on it counts', self::ENOUGH) : '',
                ),
                Figure::amount(($this->measured[$timing] ?? null)?->middle() ?? 0.0, 'min', 2),
                'this crew’s record',
            ),
        ];
    }
}
