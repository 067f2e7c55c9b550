<?php

declare(strict_types=1);

namespace App\Recording;

use App\Formats\BadLine;
use App\Models\Membership;
use App\Models\StoredEvent;
use App\Planning\Loaded;
use App\Testing\Known;
use App\Testing\UnderTest;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Later\Service\ServiceFaults;
use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Proof\Record\AsBuilt;
use Sartal\Core\Proof\Record\CutNoted;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\TestSettled;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Verdict;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Pulling\SiteState;

/** Writes down what was done: by whom, when, and on which plan it relied. A repeat of an id is recorded once. */
final readonly class Recorder
{
    public function __construct(private Beads $beads)
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
    public function record(Loaded $loaded, Membership $by, array $data, ?Sent $as = null, int $skew = 0): bool
    {
        $received = now('UTC')->format('Y-m-d\TH:i:s.u\Z');
        $problems = new Problems();
        $fields = Fields::from(
            [
                ...array_diff_key($data, ['skew' => 0, 'with' => 0]),
                'by' => $by->user->key,
                'received' => $received,
                'at' => $data['at'] ?? $received,
                // Without a word of what it was done on, its clock says when.
                'on' => $data['on'] ?? [],
                ...isset($data['at']) && $skew !== 0 ? ['skew' => $skew] : [],
            ],
            '',
            $problems,
        );
        $sent = EventCodec::decode($fields);
        $fields->done();
        $problems->settle();
        if (Sent::isRepeat($loaded->stored, $sent->id, $as)) {
            // Perhaps by a plan that has changed since: it is recorded already.
            return false;
        }
        $event = $this->complete($sent, $loaded, $by)->measuredWith($loaded->instruments()->ids($sent->instrument));

        return DB::transaction(function () use ($loaded, $by, $event, $as): bool {
            $assembly = $loaded->plan()->assemblyOf[$event->run] ?? $event->run;
            Beads::lock($loaded->stored, $assembly);
            $inserted = StoredEvent::add($loaded->stored, $by->user, $event, $as?->digest);
            if (! $inserted) {
                // Somebody was faster by a moment: with the same, or with something else.
                Sent::isRepeat($loaded->stored, $event->id, $as);
            } else {
                $runs = $loaded->plan()->assemblies[$assembly]->runs ?? [$event->run];
                $this->beads->arrived($loaded->stored, $assembly, $runs, $event);
                $loaded->stored->newQuery()->whereKey($loaded->stored->id)->increment('revision');
            }

            return $inserted;
        });
    }

    /**
     * Verdict and fingerprint are the server's to say, not the browser's.
     *
     * @throws BadLine
     */
    private function complete(Event $sent, Loaded $loaded, Membership $by): Event
    {
        $run = $loaded->installation->runs()[$sent->run] ?? null;
        if ($run === null) {
            throw BadLine::because('run', $sent->run, 'There is no such run.');
        }
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
        $test = in_array($sent->kind, [EventKind::Tested, EventKind::Settled], true)
            ? UnderTest::of($loaded, $run->id)
            : null;
        $subject = $test->assembly->id ?? $sent->run;
        $fingerprints = $loaded->planner->fingerprintsFor($subject, $loaded->installation, $loaded->plan());
        $says = $test === null ? self::says($sent, $loaded, $run, $fingerprints) : self::tested($sent, $test, $by);
        $relied =
            $says instanceof TestTaken && $says->verdict === Verdict::Incomplete && $sent->fingerprint !== ''
                ? $sent->fingerprint
                : $fingerprints->for($sent->kind, $sent->side);

        return $sent->filed($subject, $sent->side, '', $relied, $says);
    }

    /** @throws BadLine */
    private static function says(Event $sent, Loaded $loaded, Run $run, Fingerprints $plan): ?Particulars
    {
        $cut = $sent->cut();
        if ($cut !== null) {
            CutOff::check($cut, $run, $loaded);

            return new CutNoted($cut->of($run->cable));
        }
        if (in_array($sent->kind, [EventKind::Reported, EventKind::Repaired], true)) {
            self::service($sent, $loaded);
        }
        if ($sent->built() !== null) {
            self::built($sent->built(), $loaded);
        }

        return match ($sent->kind) {
            EventKind::Cut, EventKind::Joined, EventKind::Remade => $plan->says($sent->kind, $sent->side),
            default => $sent->says,
        };
    }

    /** @throws BadLine */
    private static function tested(Event $sent, UnderTest $test, Membership $by): TestTaken|TestSettled
    {
        $covers = count($test->assembly->runs) > 1 ? $test->assembly->runs : [];
        if ($sent->kind === EventKind::Settled) {
            self::settles($sent, $test);

            return new TestSettled(
                $sent->of(),
                $sent->says instanceof TestSettled ? $sent->says->stage : null,
                $covers,
            );
        }
        $taken = $sent->test();

        return new TestTaken($taken?->reading, self::verdict($sent, $test, $by), $taken?->stage, $covers);
    }

    /** @throws BadLine */
    private static function verdict(Event $sent, UnderTest $test, Membership $by): Verdict
    {
        $reading = $sent->test()->reading ?? throw BadLine::because('reading', '', 'A test needs what was read.');
        if ($reading->isEmpty() && $reading->splits === null) {
            throw BadLine::because('reading', '', 'Nothing was read yet.');
        }
        $plan = $test->plan($sent->stage());
        if ($plan->isLicensed() && ! $by->hasSkill(Skill::Mains)) {
            throw BadLine::because(
                'by',
                $by->user->name,
                'Mains is tested by a person who is licensed for it, under local code. The lead keeps who is.',
            );
        }
        try {
            Known::check($reading, $test->expectation());
        } catch (BadLine $unknown) {
            if ($sent->fingerprint === '' || $test->expectation()->fingerprint()->stands($sent->fingerprint)) {
                throw $unknown;
            }

            // Taken without a network, by a plan that has changed since: it is kept as what it was, and says nothing of
            // today.
            return Verdict::Incomplete;
        }

        return $plan->verdict($test->expectation(), $reading);
    }

    /** @throws BadLine */
    private static function service(Event $sent, Loaded $loaded): void
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
        foreach (ServiceFaults::open($loaded->record, $loaded->plan()) as $fault) {
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
    private static function built(AsBuilt $built, Loaded $loaded): void
    {
        foreach ($built->ways ?? [] as $way) {
            if (! isset($loaded->installation->ways()[$way])) {
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

    /** @throws BadLine */
    private static function settles(Event $sent, UnderTest $test): void
    {
        foreach ($test->trials()->at($sent->stage()) as $trial) {
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
