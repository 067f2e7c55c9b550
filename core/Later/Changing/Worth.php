<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\TimeBook;
use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\Counter;
use Sartal\Core\Work\Parts\Sort;
use Sartal\Core\Work\Parts\Supplies;

/** What remedies cost: hours by the crew's own times, parts by their share of a pack. */
final readonly class Worth
{
    /** min to measure a piece against its plan and say that it serves: common practice. */
    public const CONFIRM = 1.0;

    /** Of the time of a joint, to take it apart before it is made again: common practice. */
    private const UNDO = 0.5;

    public function __construct(private Installation $installation, private TimeBook $times)
    {
    }

    public static function minutes(Effort ...$efforts): Figure
    {
        return new Figure(
            array_sum(array_map(static fn (Effort $effort): float => $effort->minutes, $efforts)),
            'min',
            array_values(array_map(static fn (Effort $effort): FigureTerm => $effort->term(), $efforts)),
            1,
        );
    }

    /** Of work that several runs share: one run's part of it. */
    public static function shared(int $among, Effort ...$efforts): Figure
    {
        $all = self::minutes(...$efforts);

        return $among === 1
            ? $all
            : new Figure(
                $all->value / $among,
                'min',
                [
                    ...$all->terms,
                    new FigureTerm('shared', sprintf('by the %d runs that it helps', $among), '÷ '.$among, ''),
                ],
                1,
            );
    }

    public function pace(Pace $pace): float
    {
        return $this->times->minutes($pace);
    }

    /**
     * Work that is done again, by kind of work.
     *
     * @param  list<Operation>  $operations
     * @return list<Effort>
     */
    public function again(array $operations): array
    {
        $minutes = $counts = [];
        $undo = 0.0;
        foreach ($operations as $operation) {
            $words = $operation->task->words();
            $taken = $this->times->of($operation);
            $minutes[$words] = ($minutes[$words] ?? 0.0) + $taken;
            $counts[$words] = ($counts[$words] ?? 0) + 1;
            $undo += $operation->task === Task::Join ? $taken * self::UNDO : 0.0;
        }
        $terms = $undo === 0.0 ? [] : [new Effort('take apart', 'half the time of its joints', $undo)];
        foreach ($minutes as $words => $taken) {
            $terms[] = new Effort(
                lcfirst((string) $words),
                sprintf('%d ×', $counts[$words]),
                $taken,
                'standard times, or the crew’s own',
            );
        }

        return $terms;
    }

    /** @param  list<Ask>  $parts */
    public function cost(Figure $minutes, array $parts): Figure
    {
        $economy = $this->installation->economy();
        $money = static fn (float $amount): string => Figure::amount($amount, $economy->currency, 2);
        $labour = ($minutes->value * $economy->rate) / 60;
        $terms = [
            new FigureTerm(
                'time',
                sprintf('%s at %s an hour', $minutes->text(), $money($economy->rate)),
                $money($labour),
                'rate of the installation',
            ),
        ];
        $sum = $labour;
        foreach ($parts === [] ? [] : (new Counter(Supplies::of($this->installation)))->count($parts)->lines as $line) {
            $terms[] = new FigureTerm(
                $line->name,
                $line->needed->text(),
                $line->worth === null ? '' : $money($line->worth),
                $line->worth === null ? 'nobody typed a price in' : 'price typed in, by the share of a pack',
            );
            $sum += $line->worth ?? 0.0;
        }

        return new Figure($sum, $economy->currency, $terms, 2);
    }

    /**
     * What is thrown away has to be there once more.
     *
     * @param  array<int|string, int>  $scraps
     * @return list<Ask>
     */
    public function replaced(array $scraps, string $run, string $where): array
    {
        $asks = [];
        foreach ($scraps as $id => $count) {
            $sort = $this->installation->catalogue->connector($id) !== null ? Sort::Connector : Sort::Part;
            $asks[] = new Ask($sort, (string) $id, (float) $count, $run, $where);
        }

        return $asks;
    }
}
