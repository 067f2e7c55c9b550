<?php

declare(strict_types=1);

namespace App\Recording;

use App\Formats\BadLine;
use App\Models\Membership;
use App\Models\StoredEvent;
use App\Planning\Recorded;
use App\Telling\OfRecord;
use App\Testing\Known;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Later\Handover\AssemblyFacts;
use Sartal\Core\Later\Service\ServiceFaults;
use Sartal\Core\Later\Telling\Concerned;
use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Proof\Record\AsBuilt;
use Sartal\Core\Proof\Record\CutNoted;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\TestSettled;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Record\Together;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Verdict;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Pulling\SiteState;

/** Writes down what was done: by whom, when, and on which plan it relied. A repeat of an id is recorded once. */
final readonly class Recorder
{
    public function __construct(private Beads $beads, private OfRecord $telling)
    {
    }

    /**
     * @param  array<array-key, mixed>  $data  an event as the browser sends it
     * @param  ?Sent  $as  what came with its id; null where the server made the id of something else
     * @param  int  $skew  s by which the clock of the device was behind
     * @return bool whether it was new
     *
     * @throws BadLine
     * @throws Refused where something else has its id
     */
    public function record(Against $on, Membership $by, array $data, ?Sent $as = null, int $skew = 0): bool
    {
        $stored = $on->stored;
        $sent = Received::event($by, $data, $skew);
        if (Sent::isRepeat($stored, $sent->id, $as)) {
            // Perhaps by a plan that has changed since: it is recorded already.
            return false;
        }
        $facts = $on->facts($sent->run) ?? throw BadLine::because('run', $sent->run, 'There is no such run.');
        $event = self::complete($sent, $facts, $on, $by)->measuredWith($on->instruments()->ids($sent->instrument));

        return DB::transaction(function () use ($on, $stored, $facts, $by, $event, $as): bool {
            Beads::lock($stored, $facts->id);
            $inserted = StoredEvent::add($stored, $by->user, $event, $as?->digest);
            if (! $inserted) {
                // Somebody was faster by a moment: with the same, or with something else.
                Sent::isRepeat($stored, $event->id, $as);
            } else {
                $this->beads->arrived($stored, $facts->id, $facts->runs(), $event);
                $stored->newQuery()->whereKey($stored->id)->increment('revision');
                $this->tell($on, $by, $event, $facts);
            }

            return $inserted;
        });
    }

    /** A test concerns others where others tested the same. */
    private function tell(Against $on, Membership $by, Event $event, AssemblyFacts $facts): void
    {
        if (! Concerned::may($event->kind)) {
            return;
        }
        $tests = $on->stored->events()->toBase()->reorder()->whereIn('run', $facts->runs())->where('kind', 'tested');
        if ($tests->where('user_id', '<>', $by->user_id)->exists()) {
            $before = array_filter(
                $on->record($facts)->together($facts->runs()),
                static fn (Event $each): bool => $each->id !== $event->id,
            );
            $this->telling->tell($on->stored, $by->user, $event, $facts->id, $facts->runs(), array_values($before));
        }
    }

    /**
     * The same act on many runs that follows from one that is written down already, such as what a lead signs for: all
     * of it or nothing, in a few statements. It must be of a kind that fills and empties no bead but its own.
     *
     * @param  list<array<array-key, mixed>>  $all  events as the browser would send them
     *
     * @throws BadLine
     */
    public function recordAll(Against $on, Membership $by, array $all): void
    {
        $events = [];
        foreach ($all as $data) {
            $sent = Received::event($by, $data);
            $facts = $on->facts($sent->run) ?? throw BadLine::because('run', $sent->run, 'There is no such run.');
            $events[] = self::complete($sent, $facts, $on, $by);
        }
        if ($events === []) {
            return;
        }
        DB::transaction(function () use ($on, $by, $events): void {
            StoredEvent::addAll($on->stored, $by->user, $events);
            $on->stored->newQuery()->whereKey($on->stored->id)->increment('revision');
        });
    }

    /**
     * Verdict and fingerprint are the server's to say, not the browser's.
     *
     * @throws BadLine
     */
    private static function complete(Event $sent, AssemblyFacts $facts, Against $on, Membership $by): Event
    {
        $run = $facts->runs[$sent->run];
        if ($run->withdrawn) {
            throw BadLine::because('run', $run->code, 'This run is withdrawn: nothing more is recorded on it.');
        }
        $takesBack =
            $sent->kind === EventKind::TakenBack &&
            $sent->undoes() !== null &&
            SiteState::isOfTheSite($run->build, $sent->undoes()) &&
            $sent->undoes() !== EventKind::Tested;
        if ($sent->step !== '' || ($sent->kind->isOfTheBench() && ! $takesBack)) {
            throw BadLine::because('kind', $sent->kind->value, 'This is recorded at the bench, step by step.');
        }
        Strays::refuse($sent);
        $isTest = in_array($sent->kind, [EventKind::Tested, EventKind::Settled], true);
        $subject = $isTest ? $facts->id : $sent->run;
        $today = $facts->runs[$subject]->today;
        $says = $isTest ? self::tested($sent, $facts, $on, $by) : self::says($sent, $facts, $on, $today);
        $relied =
            $says instanceof TestTaken && $says->verdict === Verdict::Incomplete && $sent->fingerprint !== ''
                ? $sent->fingerprint
                : $today->for($sent->kind, $sent->side);

        return $sent->filed($subject, $sent->side, '', $relied, $says);
    }

    /** @throws BadLine */
    private static function says(Event $sent, AssemblyFacts $facts, Against $on, Fingerprints $plan): ?Particulars
    {
        $cut = $sent->cut();
        if ($cut !== null) {
            CutOff::check($cut, $sent->run, $on->cuts(), Recorded::stock($on->stored));

            return new CutNoted($cut->of($plan->cable));
        }
        if (in_array($sent->kind, [EventKind::Reported, EventKind::Repaired], true)) {
            self::service($sent, $facts, $on);
        }
        if ($sent->built() !== null) {
            self::built($sent->built(), $on);
        }

        return match ($sent->kind) {
            EventKind::Cut, EventKind::Joined, EventKind::Remade => $plan->says($sent->kind, $sent->side),
            default => $sent->says,
        };
    }

    /** @throws BadLine */
    private static function tested(
        Event $sent,
        AssemblyFacts $facts,
        Against $on,
        Membership $by,
    ): TestTaken|TestSettled {
        $covers = count($facts->runs) > 1 ? $facts->runs() : [];
        if ($sent->kind === EventKind::Settled) {
            self::settles($sent, $on->record($facts)->together($facts->runs()));

            return new TestSettled(
                $sent->of(),
                $sent->says instanceof TestSettled ? $sent->says->stage : null,
                $covers,
            );
        }
        $taken = $sent->test();

        $reading = $taken->reading ?? throw BadLine::because('reading', '', 'A test needs what was read.');
        [$verdict, $rests] = self::verdict($sent, $reading, $facts, $on, $by);

        return new TestTaken($reading, $verdict, $taken->stage, $covers, $rests);
    }

    /**
     * @return array{Verdict, list<string>} of the whole, and the tests whose part of it that rests on
     *
     * @throws BadLine
     */
    private static function verdict(
        Event $sent,
        Reading $reading,
        AssemblyFacts $facts,
        Against $on,
        Membership $by,
    ): array {
        $test = $on->test($facts);
        if ($reading->isEmpty() && $reading->splits === null) {
            throw BadLine::because('reading', '', 'Nothing was read yet.');
        }
        $plan = $test->plan($sent->stage());
        if ($plan->needsLicence($test->expectation, $reading) && ! $by->hasSkill(Skill::Mains)) {
            throw BadLine::because(
                'by',
                $by->user->name,
                'Mains is tested by a person who is licensed for it, under local code. The lead keeps who is.',
            );
        }
        try {
            Known::check($reading, $test->expectation);
        } catch (BadLine $unknown) {
            if ($sent->fingerprint === '' || $test->expectation->fingerprint()->stands($sent->fingerprint)) {
                throw $unknown;
            }

            // Taken without a network, by a plan that has changed since: it is kept as what it was, and says nothing of
            // today.
            return [Verdict::Incomplete, []];
        }
        if (count($plan->domains()) < 2) {
            return [$plan->verdict($test->expectation, $reading), []];
        }
        $trials = Trials::among($on->record($facts)->together($facts->runs()));
        $whole = Together::of($reading, $plan, $test->expectation, $trials);

        return [$plan->verdict($test->expectation, $whole->reading), array_values($whole->rests)];
    }

    /** @throws BadLine */
    private static function service(Event $sent, AssemblyFacts $facts, Against $on): void
    {
        if (trim($sent->note) === '') {
            throw BadLine::because(
                'note',
                '',
                $sent->kind === EventKind::Reported ? 'Say what is wrong.' : 'Say what was done.',
            );
        }
        if ($sent->kind === EventKind::Reported) {
            return;
        }
        foreach (ServiceFaults::among($on->record($facts)->together($facts->runs())) as $fault) {
            if ($fault->report->id === $sent->of() && $fault->report->run === $sent->run && ! $fault->isClosed()) {
                return;
            }
        }
        throw BadLine::because('of', $sent->of(), 'There is no such fault open on this cable. Load the page again.');
    }

    /**
     * How it really lies: by ways that there are.
     *
     * @throws BadLine
     */
    private static function built(AsBuilt $built, Against $on): void
    {
        foreach ($built->ways ?? [] as $way) {
            if (! isset($on->loaded()->installation->ways()[$way])) {
                throw BadLine::because(
                    'built.ways',
                    $way,
                    'There is no such way. Load the list again, or ask the planner to draw it.',
                );
            }
        }
        if ($built->length?->isZero() === true) {
            throw BadLine::because('built.length', '0', 'Say how long it is, or leave it out.');
        }
    }

    /**
     * @param  list<Event>  $events  of the assembly, in order
     *
     * @throws BadLine
     */
    private static function settles(Event $sent, array $events): void
    {
        foreach (Trials::among($events)->at($sent->stage()) as $trial) {
            if ($trial->id === $sent->of()) {
                return;
            }
        }
        throw BadLine::because(
            'of',
            $sent->of(),
            'This test does not stand any more: it was settled before, or the cable was made again. Load the test '.
                'again.',
        );
    }
}
