<?php

declare(strict_types=1);

namespace App\Bench;

use App\Contract\Map;
use App\Models\Membership;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Planning\FamilyNames;
use Carbon\CarbonImmutable;
use Sartal\Core\File\Fields;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\File\StockCodec;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Forecasting\Booking;
use Sartal\Core\Work\Forecasting\Bounds;
use Sartal\Core\Work\Forecasting\Chore;
use Sartal\Core\Work\Forecasting\Floor;
use Sartal\Core\Work\Forecasting\Forecaster;
use Sartal\Core\Work\Forecasting\Hand;
use Sartal\Core\Work\Forecasting\WorkingDays;

/**
 * What the lead looks at: who is on what, what is stopped and why, when it will be done, and what goes wrong where.
 *
 * @phpstan-import-type QueueLine from Queue
 * @phpstan-import-type FigureShown from PlanEncoder
 *
 * @phpstan-type BoardShown array{
 *     forecast: BoardForecast,
 *     people: list<BoardPerson>,
 *     stopped: list<QueueLine>,
 *     done: array{jobs: int, of: int},
 *     families: list<FamilyYield>,
 *     at: string,
 * }
 * @phpstan-type BoardForecast array{
 *     hours: FigureShown,
 *     finish: string,
 *     day: float,
 *     basis: string,
 *     bottleneck: string,
 *     stuck: list<string>,
 *     ahead: Map<list<BookingShown>>,
 * }
 * @phpstan-type BookingShown array{
 *     job: string,
 *     code: string,
 *     words: string,
 *     more: int,
 *     from: float,
 *     minutes: float,
 *     isGiven: bool,
 * }
 * @phpstan-type BoardPerson array{
 *     id: string,
 *     name: string,
 *     skills: list<string>,
 *     at: array{job: string, code: string}|null,
 *     today: int,
 * }
 * @phpstan-type FamilyYield array{
 *     family: string,
 *     name: string,
 *     looked: int,
 *     reworked: int,
 *     flags: int,
 *     yield: float|null,
 *     found: Map<int>,
 * }
 */
final readonly class Board
{
    /** Kinds of events that confirm something. */
    private const DONE = ['slid-on', 'prepared', 'contact-joined', 'inspected', 'closed', 'labelled'];

    /** Bookings of each person that are shown. */
    private const AHEAD = 12;

    public function __construct(
        private KeptJobs $jobs,
        private Times $times,
        private Workload $workload,
        private Places $places,
        private Given $given,
    ) {
    }

    /** @return BoardShown */
    public function of(StoredInstallation $stored): array
    {
        // Of thousands of jobs those alone are told that are stopped.
        $told = $this->jobs->told($stored, null);
        $stopped = array_values(array_filter(
            $told->jobs,
            static fn (KeptJob $job): bool => ! $job->done && ($job->hold !== null || $job->questions > 0),
        ));
        $crew = array_values($stored->atWork()->get()->all());
        $hands = [];
        foreach ($crew as $person) {
            if ($person->hasRole(Role::Bench, Role::Installer, Role::Lead)) {
                $hands[] = new Hand(
                    $person->user->key,
                    array_values(array_filter(array_map(Skill::tryFrom(...), $person->skills))),
                );
            }
        }

        return [
            'forecast' => $this->forecast($stored, $hands),
            'people' => $this->people($stored, $crew, $told->jobs),
            'stopped' => array_map(static fn (KeptJob $job): array => Queue::line($job, $told->times), $stopped),
            'done' => [
                'jobs' => count(array_filter($told->jobs, static fn (KeptJob $job): bool => $job->done)),
                'of' => count($told->jobs),
            ],
            'families' => $this->families($stored),
            'at' => now('UTC')->format('Y-m-d\TH:i:s\Z'),
        ];
    }

    /**
     * @param  list<Hand>  $hands
     * @return BoardForecast
     */
    private function forecast(StoredInstallation $stored, array $hands): array
    {
        $workshop = StockCodec::workshop(Fields::from($stored->workshop, 'workshop', new Problems()));
        $codes = array_map(static fn (KeptJob $job): string => $job->facts->codes[0], $this->jobs->of($stored));
        $book = $this->times->of($stored);
        $chores = $this->workload->of($stored, $book);
        $forecast = (new Forecaster($hands, $workshop->tools, $workshop->benches))->forecast($chores);
        $measured = count(array_filter(Pace::cases(), $book->isMeasured(...)));
        $hours = $forecast->minutes / 60;
        $given = $this->given->all($stored, $this->jobs->assemblyOf($stored))['assembly'] ?? [];
        $ahead = [];
        foreach ($forecast->bookings as $booking) {
            $isGiven = isset($given[$booking->chore->job]);
            $ahead[$booking->hand] = self::with(
                $ahead[$booking->hand] ?? [],
                $booking,
                $codes[$booking->chore->job],
                $isGiven,
            );
        }
        $work = array_sum(array_map(static fn (Chore $chore): float => $chore->minutes, $chores));
        $terms = array_map(
            static fn (Floor $bound): FigureTerm => new FigureTerm(
                'at least',
                $bound->words,
                Figure::amount($bound->minutes / 60, 'h'),
                'work ÷ hands, longest chain',
            ),
            array_slice($forecast->bounds, 0, 6),
        );

        return [
            'hours' => PlanEncoder::figure(
                new Figure($hours, 'h', [
                    new FigureTerm(
                        'work',
                        sprintf('%d chores for %s', count($chores), Bounds::people(count($hands))),
                        Figure::amount($work / 60, 'h'),
                        $measured > 0
                            ? sprintf(
                                '%d of %d kinds of work by this crew’s own record, the rest by standard times',
                                $measured,
                                count(Pace::cases()),
                            )
                            : 'standard times',
                    ),
                    ...$terms,
                ]),
            ),
            'finish' => WorkingDays::after(CarbonImmutable::now(), $hours / $workshop->hours)->format('Y-m-d'),
            'day' => $workshop->hours,
            'basis' => $measured > 0
                    ? sprintf('%d kinds of work by this crew’s own times, the rest by standard times', $measured)
                    : 'standard times; the crew’s own count from five of a kind on',
            'bottleneck' => $forecast->bottleneck()->words ?? '',
            'stuck' => array_values(
                array_unique(
                    array_map(
                        static fn (Chore $chore): string => sprintf(
                            '%s, %s%s',
                            $codes[$chore->job],
                            lcfirst($chore->words),
                            $chore->skill === null ? '' : ': '.$chore->skill->words(),
                        ),
                        $forecast->stuck,
                    ),
                ),
            ),
            'ahead' => new Map($ahead),
        ];
    }

    /**
     * What one person does on one job in one go is one booking.
     *
     * @param  list<BookingShown>  $ahead
     * @return list<BookingShown>
     */
    private static function with(array $ahead, Booking $booking, string $code, bool $isGiven): array
    {
        $last = array_pop($ahead);
        $goesOn = $last !== null &&
            $last['job'] === $booking->chore->job &&
            $booking->from < $last['from'] + $last['minutes'] + 1.0;
        if ($last !== null && $goesOn) {
            $minutes = round($booking->to - $last['from'], 1);

            return [...$ahead, ['minutes' => $minutes, 'more' => $last['more'] + 1] + $last];
        }
        $ahead = $last === null ? [] : [...$ahead, $last];

        return count($ahead) === self::AHEAD ? $ahead : [...$ahead, [
            'job' => $booking->chore->job,
            'code' => $code,
            'words' => $booking->chore->words,
            'more' => 0,
            'from' => round($booking->from, 1),
            'minutes' => round($booking->to - $booking->from, 1),
            'isGiven' => $isGiven,
        ]];
    }

    /**
     * @param  list<Membership>  $crew
     * @param  list<KeptJob>  $jobs
     * @return list<BoardPerson>
     */
    private function people(StoredInstallation $stored, array $crew, array $jobs): array
    {
        $at = array_column($this->places->others($stored), null, 'person');
        $today = [];
        foreach (
            $stored
                ->events()
                ->toBase()
                ->reorder()
                ->where('step', '<>', '')
                ->where('definition->at', '>=', now('UTC')->startOfDay()->format('Y-m-d\\TH:i:s'))
                ->whereIn('kind', self::DONE)
                ->groupBy('user_id')
                ->selectRaw('user_id, count(*) as count')
                ->get() as $row
        ) {
            $today[(int) $row->user_id] = (int) $row->count;
        }
        $codes = [];
        foreach ($jobs as $job) {
            $codes[$job->id] = $job->facts->codes[0] ?? '';
        }

        return array_map(
            static fn (Membership $person): array => [
                'id' => $person->user->key,
                'name' => $person->user->name,
                'skills' => $person->skills,
                'at' => isset($at[$person->user->key])
                    ? [
                        'job' => $at[$person->user->key]['assembly'],
                        'code' => $codes[$at[$person->user->key]['assembly']] ?? '',
                    ]
                    : null,
                'today' => $today[$person->user_id] ?? 0,
            ],
            $crew,
        );
    }

    /**
     * By family of connector: how many were looked over, how many went through at once, what was found.
     *
     * @return list<FamilyYield>
     */
    private function families(StoredInstallation $stored): array
    {
        $families = [];
        foreach ($this->jobs->of($stored) as $job) {
            foreach ($job->yields as $family => $of) {
                $families[$family] = ($families[$family] ?? new Yielded())->with($of);
            }
        }
        $lines = [];
        foreach ($families as $family => $of) {
            $found = $of->found;
            // What was found as often as another stands by its name: no order of records decides.
            uksort($found, static fn (int|string $a, int|string $b): int => $found[$b] <=> $found[$a] ?: $a <=> $b);
            $lines[] = [
                'family' => (string) $family,
                'name' => FamilyNames::of((string) $family),
                'looked' => $of->looked,
                'reworked' => $of->reworked,
                'flags' => $of->flags,
                'yield' => $of->looked === 0 ? null : round(100 * (1 - $of->reworked / $of->looked)),
                'found' => new Map(array_slice($found, 0, 4, true)),
            ];
        }
        usort(
            $lines,
            static fn (array $a, array $b): int => $b['reworked'] <=> $a['reworked'] ?:
            $b['flags'] <=> $a['flags'] ?:
            $a['family'] <=> $b['family'],
        );

        return array_values(
            array_filter($lines, static fn (array $line): bool => $line['looked'] > 0 || $line['flags'] > 0),
        );
    }
}
