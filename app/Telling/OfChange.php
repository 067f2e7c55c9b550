<?php

declare(strict_types=1);

namespace App\Telling;

use App\Bench\KeptJobs;
use App\Changes\RemedyDesk;
use App\Models\Change;
use App\Models\Notice;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\InstallationStore;
use App\Planning\Kept;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Recorded;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Later\Telling\Concerned;
use Sartal\Core\Later\Telling\NoticeKind;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\RunEvents;
use Sartal\Core\Plan\Planning\Stage;

/**
 * Tells people whose work does not fit any more once something was decided, and that it is over once it does or was
 * done again. What is overtaken is looked at as it is, not as one change made it: one notice speaks of all of a
 * person's work that came to it since somebody looked.
 *
 * @phpstan-type OvertakenWork array{run: string, stage: string, event: string}
 * @phpstan-type FoundWork array{run: string, stage: string, event: string, received: string}
 *
 * @phpstan-import-type NoticeAbout from Notice
 */
final readonly class OfChange
{
    /** Assemblies of which the record is in hand at once. */
    private const TOGETHER = 200;

    /** Changes that are looked through for who decided them, the last ones. */
    private const NAMED = 100;

    public function __construct(
        private Teller $teller,
        private RemedyDesk $desk,
        private KeptJobs $jobs,
        private InstallationStore $store,
    ) {
    }

    /** Where that is soon looked at: whoever opens a page does not wait until all jobs are made anew. */
    public function lookWhereKept(StoredInstallation $stored): void
    {
        if ($stored->weighed !== self::state($stored) && $this->jobs->areMade($stored)) {
            $this->bringUpToDate($stored);
        }
    }

    /** Where something was decided since; whoever comes while somebody is at it goes on without. */
    public function bringUpToDate(StoredInstallation $stored): void
    {
        if ($stored->weighed !== self::state($stored)) {
            Kept::unlessMade($stored, 'telling', fn () => $this->weigh($stored->refresh()));
        }
    }

    private static function state(StoredInstallation $stored): string
    {
        return Kept::state('telling', $stored->edition());
    }

    private function weigh(StoredInstallation $stored): void
    {
        $state = self::state($stored);
        if ($stored->weighed === $state) {
            return;
        }
        // Changes before what they did: one that comes in between is named, and weighed the next time.
        $changes = self::changes($stored);
        $work = $this->work($stored);
        DB::transaction(function () use ($stored, $state, $changes, $work): void {
            $told = $this->settle($stored, $work);
            foreach ($work as $person => $pieces) {
                $new = array_values(
                    array_filter(
                        $pieces,
                        static fn (array $piece): bool => ! isset($told[$person][self::name($piece)]),
                    ),
                );
                if ($new !== []) {
                    $this->teller->tell($stored, self::matter($stored, $new, $changes), [(string) $person]);
                }
            }
            DB::table('installations')->where('id', $stored->id)->update([
                'weighed' => $state,
                'weighed_at' => $changes->max('id') ?? $stored->weighed_at,
            ]);
        });
        $stored->refresh();
    }

    /** @return Collection<int, Change> by which something may be overtaken that was not */
    private static function changes(StoredInstallation $stored): Collection
    {
        $rows = $stored->changes()->with('user');
        $rows->where('id', '>', $stored->weighed_at)->limit(self::NAMED);

        return $rows->get();
    }

    /** @return array<int|string, list<FoundWork>> person → what they did that does not fit */
    private function work(StoredInstallation $stored): array
    {
        $standings = KeptStandings::atWork($stored, fn (): Loaded => $this->store->atWork($stored))->runs();
        $assemblyOf = $this->jobs->assemblyOf($stored);
        $overtaken = [];
        foreach ($this->desk->overtaken($stored) as $run) {
            $stages = isset($standings[$run]) ? self::stages($standings[$run]) : [];
            $overtaken[$assemblyOf[$run] ?? $run][$run] = $stages;
        }
        $work = [];
        foreach (array_chunk($overtaken, self::TOGETHER, true) as $some) {
            $members = [];
            foreach ($assemblyOf as $run => $assembly) {
                $members += isset($some[$assembly]) ? [$run => $assembly] : [];
            }
            $record = Recorded::milestones($stored, array_map(strval(...), array_keys($members)));
            foreach ($some as $assembly => $runs) {
                $all = array_map(strval(...), array_keys($members, $assembly, true));
                foreach ($runs as $run => $stages) {
                    $run = (string) $run;
                    foreach (Concerned::overtaken($stages, RunEvents::of($run, $all, $record)) as $person => $did) {
                        foreach ($did as $stage => $event) {
                            $work[$person][] = [
                                'run' => $run,
                                'stage' => (string) $stage,
                                'event' => $event->id,
                                'received' => $event->received,
                            ];
                        }
                    }
                    // Steps at the bench that are other ones now, though their end stands.
                    foreach ($stages === [] ? $record->makers([$run]) : [] as $person) {
                        $work[$person][] = ['run' => $run, 'stage' => '', 'event' => '', 'received' => ''];
                    }
                }
            }
        }

        return $work;
    }

    /** @return list<Stage> */
    private static function stages(RunStanding $run): array
    {
        return array_values(
            array_map(
                static fn (Bead $bead): Stage => $bead->stage,
                array_filter($run->strand, ImpactPlanner::isOvertaken(...)),
            ),
        );
    }

    /**
     * What was told and stands still; what does not is over.
     *
     * @param  array<int|string, list<FoundWork>>  $work
     * @return array<int|string, array<int|string, true>> person → what they know
     */
    private function settle(StoredInstallation $stored, array $work): array
    {
        $is = array_map(self::known(...), $work);
        $told = $over = [];
        $open = Teller::open($stored, NoticeKind::Overtaken)->join('users', 'users.id', '=', 'user_id');
        foreach ($open->get(['cause', 'about', 'users.key as person']) as $row) {
            /** @var NoticeAbout $about */
            $about = json_decode((string) $row->about, true, flags: JSON_THROW_ON_ERROR);
            $knows = self::known($about['work'] ?? []);
            if (array_intersect_key($knows, $is[$row->person] ?? []) === []) {
                $over[] = (string) $row->cause;
            } else {
                $told[$row->person] = $knows + ($told[$row->person] ?? []);
            }
        }
        $this->teller->over($stored, NoticeKind::Overtaken, $over);

        return $told;
    }

    /**
     * @param  non-empty-list<FoundWork>  $pieces
     * @param  Collection<int, Change>  $changes
     */
    private static function matter(StoredInstallation $stored, array $pieces, Collection $changes): Matter
    {
        $runs = array_values(array_unique(array_column($pieces, 'run')));
        $codes = $stored->runs()->reorder('code')->whereIn('key', $runs)->pluck('code')->all();
        [$by, $what] = self::blame($stored, $changes, $pieces);

        return new Matter(
            NoticeKind::Overtaken,
            (string) Str::ulid(),
            sprintf(
                $by === null ? 'Your work on %s does not fit the plan any more' : 'has overtaken your work on %s',
                Some::of(array_values(array_filter($codes, is_string(...)))),
            ),
            '/handover/overtaken',
            $what,
            $by,
            ['work' => array_map(
                static fn (array $piece): array => [
                    'run' => $piece['run'],
                    'stage' => $piece['stage'],
                    'event' => $piece['event'],
                ],
                $pieces,
            )],
        );
    }

    /**
     * What was recorded after the first of the changes may have been overtaken before it came, and who overtook what
     * before anybody looked is not known: then nobody is named.
     *
     * @param  Collection<int, Change>  $changes
     * @param  non-empty-list<FoundWork>  $pieces
     * @return array{?User, string} who decided what, as far as that is one person
     */
    private static function blame(StoredInstallation $stored, Collection $changes, array $pieces): array
    {
        $first = $changes->last();
        if ($stored->weighed === '' || $first === null) {
            return [null, ''];
        }
        if ($stored->release_id !== null) {
            $release = $stored->releases()->whereKey($stored->release_id)->value('letter');

            return [null, is_string($release) ? sprintf('Work is by release %s.', $release) : ''];
        }
        $began = Carbon::parse($first->created_at);
        foreach ($pieces as $piece) {
            if ($piece['received'] === '' || Carbon::parse($piece['received'])->greaterThanOrEqualTo($began)) {
                return [null, ''];
            }
        }
        $isOne = $changes->pluck('user_id')->unique()->count() === 1 && $changes->count() < self::NAMED;
        $words = $changes->pluck('words')->reverse()->unique()->values()->all();

        return [$isOne ? $first->user : null, Some::of(array_values(array_filter($words, is_string(...))))];
    }

    /**
     * @param  list<array{run: string, stage: string, event: string, ...}>  $pieces
     * @return array<int|string, true>
     */
    private static function known(array $pieces): array
    {
        return array_fill_keys(array_map(self::name(...), $pieces), true);
    }

    /** @param  array{run: string, stage: string, event: string, ...}  $piece */
    private static function name(array $piece): string
    {
        // What comes out of the database has its fields in another order.
        return implode(' ', [$piece['run'], $piece['stage'], $piece['event']]);
    }
}
