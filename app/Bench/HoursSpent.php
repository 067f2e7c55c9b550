<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use DateTimeImmutable;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Forecasting\DayLeft;
use Sartal\Core\Work\Forecasting\Outlook;

/**
 * Hours at the bench: what was left day by day, when it ends if it goes on so, and what was planned of each kind of
 * work against what it took.
 *
 * @phpstan-import-type FigureShown from PlanEncoder
 *
 * @phpstan-type HoursShown array{
 *     left: FigureShown,
 *     days: list<array{day: string, done: float, left: float}>,
 *     outlook: array{early: string, likely: string, late: string, pace: FigureShown}|null,
 *     kinds: list<array{kind: string, count: int, planned: float, took: float}>,
 *     planned: FigureShown,
 *     took: FigureShown,
 * }
 */
final readonly class HoursSpent
{
    public function __construct(private KeptJobs $jobs)
    {
    }

    /** @return HoursShown */
    public function of(StoredInstallation $stored, DateTimeImmutable $today): array
    {
        $index = $this->jobs->index($stored);
        $times = KeptJobs::said($index)->times;
        $done = array_map(static fn (array $of): float => $times->sum($of) / 60, $index->tally->days());
        $left = $times->sum($index->tally->left()) / 60;
        $days = DayLeft::over($done, $left);
        $outlook = Outlook::of($done, $left, $today);
        $kinds = self::kinds($index);

        return [
            'left' => PlanEncoder::figure(new Figure($left, 'h', [
                self::term('planned', 'all work at the bench', array_sum($done) + $left, 'steps × time of each'),
                self::term('done', sprintf('on %d days, of what stands', count($done)), array_sum($done), 'the record'),
            ])),
            'days' => array_map(static fn (DayLeft $each): array => [
                'day' => $each->day,
                'done' => round($each->done, 2),
                'left' => round($each->left, 2),
            ], $days),
            'outlook' => $outlook === null ? null : [
                'early' => $outlook->early->format('Y-m-d'),
                'likely' => $outlook->likely->format('Y-m-d'),
                'late' => $outlook->late->format('Y-m-d'),
                'pace' => PlanEncoder::figure($outlook->pace),
            ],
            'kinds' => $kinds,
            'planned' => self::sum('planned', 'standard time × how much of it', $kinds),
            'took' => self::sum('took', 'as it was timed, pauses taken off', $kinds),
        ];
    }

    /** @return list<array{kind: string, count: int, planned: float, took: float}> min; what took longest comes first */
    private static function kinds(JobIndex $index): array
    {
        $kinds = [];
        foreach (Pace::cases() as $pace) {
            $timed = ($index->tally->timed[$pace->value] ?? 0) / JobTally::PARTS;
            $took = ($index->tally->took[$pace->value] ?? 0) / JobTally::PARTS;
            if ($took > 0.0) {
                $kinds[] = [
                    'kind' => str_replace('-', ' ', $pace->value),
                    'count' => ($index->took[$pace->value] ?? null)?->count() ?? 0,
                    'planned' => round($pace->minutes() * $timed, 1),
                    'took' => round($took / 60, 1),
                ];
            }
        }
        usort($kinds, static fn (array $a, array $b): int => [$b['took'], $a['kind']] <=> [$a['took'], $b['kind']]);

        return $kinds;
    }

    /**
     * @param  'planned'|'took'  $which
     * @param  list<array{kind: string, count: int, planned: float, took: float}>  $kinds
     * @return FigureShown
     */
    private static function sum(string $which, string $source, array $kinds): array
    {
        return PlanEncoder::figure(new Figure(array_sum(array_column($kinds, $which)) / 60, 'h', array_map(
            static fn (array $each): FigureTerm => new FigureTerm(
                $each['kind'],
                sprintf('%d times', $each['count']),
                Figure::amount($each[$which], 'min'),
                $source,
            ),
            $kinds,
        )));
    }

    private static function term(string $label, string $detail, float $hours, string $source): FigureTerm
    {
        return new FigureTerm($label, $detail, Figure::amount($hours, 'h'), $source);
    }
}
