<?php

declare(strict_types=1);

namespace App\Changes;

use App\Formats\BadLine;
use App\Models\StoredEvent;
use App\Models\User;
use App\Planning\Loaded;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Document\EventCodec;
use Sartal\Core\Document\Fields;
use Sartal\Core\Document\Problems;
use Sartal\Core\Planning\AssemblyPlanner;
use Sartal\Core\Record\Event;
use Sartal\Core\Record\EventKind;
use Sartal\Core\Testing\Reading;

/** Writes down what was done: by whom, when, and on which plan it relied. A repeat of an id is recorded once. */
final class Recorder
{
    /**
     * @param  array<array-key, mixed>  $data  an event as the browser sends it
     * @return bool whether it was new
     *
     * @throws BadLine
     */
    public function record(Loaded $loaded, User $by, array $data): bool
    {
        $received = now('UTC')->format('Y-m-d\TH:i:s.u\Z');
        $problems = new Problems;
        $fields = Fields::of([...$data, 'by' => $by->sign_in, 'received' => $received, 'at' => $data['at'] ?? $received], '', $problems);
        $sent = EventCodec::decode($fields);
        $fields->done();
        $problems->settle();
        $event = $this->complete($sent, $loaded);

        return DB::transaction(function () use ($loaded, $by, $event, $received): bool {
            $inserted = StoredEvent::query()->insertOrIgnore([
                'uuid' => $event->id,
                'installation_id' => $loaded->stored->id,
                'run' => $event->run,
                'kind' => $event->kind->value,
                'user_id' => $by->id,
                'definition' => json_encode(EventCodec::encode($event), JSON_THROW_ON_ERROR),
                'created_at' => $received,
            ]);
            if ($inserted > 0) {
                $loaded->stored->newQuery()->whereKey($loaded->stored->id)->increment('revision');
            }

            return $inserted > 0;
        });
    }

    /**
     * Verdict and fingerprint are the server's to say, not the browser's.
     *
     * @throws BadLine
     */
    private function complete(Event $sent, Loaded $loaded): Event
    {
        $run = $loaded->installation->runs[$sent->run] ?? null;
        if ($run === null) {
            throw BadLine::because('run', $sent->run, 'There is no such run.');
        }
        if ($run->withdrawn) {
            throw BadLine::because('run', $run->code, 'This run is withdrawn: nothing more is recorded on it.');
        }
        if ($sent->step !== '' || $sent->kind->isOfTheBench()) {
            throw BadLine::because('kind', $sent->kind->value, 'This is recorded at the bench, step by step.');
        }
        $plan = $loaded->plan();
        $verdict = null;
        $subject = $sent->run;
        if ($sent->cut !== null) {
            CutOff::check($sent, $run, $loaded);
        }
        if ($sent->kind === EventKind::Tested) {
            $assembly = $plan->assemblies[$plan->assemblyOf[$run->id]];
            $subject = $assembly->id;
            $expectation = (new AssemblyPlanner($loaded->installation, $plan->runs))->expectation($assembly);
            $reading = $sent->reading ?? throw BadLine::because('reading', '', 'A test needs what was read, line by line.');
            self::known($reading, $expectation->setup->from, $expectation->setup->to);
            $verdict = $expectation->verdict($reading);
        } elseif ($sent->reading !== null || $sent->verdict !== null) {
            throw BadLine::because('reading', '', 'Only a test has a reading.');
        }
        $fingerprints = $loaded->planner->fingerprintsFor($subject, $loaded->installation, $plan);

        return new Event(
            $sent->id, $sent->kind, $subject, $sent->side, $sent->by, $sent->at, $sent->received,
            $fingerprints->for($sent->kind, $sent->side), $sent->instrument, $sent->note, $sent->reading, $verdict, $sent->cut,
        );
    }

    /**
     * @param  array<string, mixed>  $from
     * @param  array<string, mixed>  $to
     *
     * @throws BadLine
     */
    private static function known(Reading $reading, array $from, array $to): void
    {
        foreach ($reading->lights as $probe => $lights) {
            if (! isset($from[$probe])) {
                throw BadLine::because('reading', (string) $probe, 'This is not a contact that is probed. Load the test again.');
            }
            foreach ($lights as $lit) {
                if (! isset($to[$lit])) {
                    throw BadLine::because('reading', $lit, 'This is not a contact that can light. Load the test again.');
                }
            }
        }
    }
}
