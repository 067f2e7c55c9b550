<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Bench\Given;
use App\Bench\Job;
use App\Bench\JobCursor;
use App\Bench\Jobs;
use App\Bench\KeptJobs;
use App\Bench\Places;
use App\Bench\Queue;
use App\Bench\Times;
use App\Contract\Answer;
use App\Contract\Carries;
use App\Contract\Map;
use App\Contract\Query;
use App\Contract\ShapeDecoder;
use App\Documents\Drawing\PdfCanvas;
use App\Documents\TravellerDrawing;
use App\Http\Requests\Ends\UnitsAsked;
use App\Http\Requests\Work\JobsAsked;
use App\Http\Requests\Work\PlaceTaken;
use App\Http\Requests\Work\ReworkAsked;
use App\Http\Resources\Work\JobResource;
use App\Http\Resources\Work\JobStateResource;
use App\Models\Membership;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Recording\BenchRecord;
use App\Recording\BenchRecorder;
use App\Recording\DeviceClock;
use App\Recording\Refused;
use App\Recording\Sent;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Sartal\Core\Work\Bench\Disposition;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Rework;
use Sartal\Core\Work\Bench\ReworkPlanner;

/**
 * Bench: the queue, one job, and what is confirmed in it.
 *
 * @phpstan-import-type GivenTo from Given
 * @phpstan-import-type QueueLine from Queue
 * @phpstan-import-type JobPage from JobResource
 * @phpstan-import-type JobState from JobStateResource
 *
 * @phpstan-type ReworkShown array{
 *     remedy: value-of<Disposition>,
 *     words: string,
 *     reopens: list<string>,
 *     scraps: Map<int>,
 *     survives: list<string>,
 *     cutsBack: bool,
 *     sparesLeft: int|null,
 *     names: list<string>,
 * }
 * @phpstan-type StandsAt array{assembly: string, step: string, name: string, person: string}
 */
final readonly class BenchController
{
    public function __construct(
        private Jobs $jobs,
        private BenchRecord $records,
        private Places $places,
        private ShapeDecoder $decoder,
        private Near $near,
        private KeptJobs $kept,
    ) {
    }

    /**
     * Unchanged, it is not even sent again; of what is known up to a cursor, the jobs that may be others since.
     *
     * @return Answer<array{jobs: list<QueueLine>, isPart: bool, cursor: string}>
     */
    public function index(
        #[Query(JobsAsked::class)] JobsAsked $asked,
        StoredInstallation $stored,
        Queue $queue,
    ): Answer {
        return new Answer($queue->told($stored, JobCursor::read($asked->since)));
    }

    /**
     * Who is at which job, and what whoever asks was given: both are others more often than jobs, or to each another.
     *
     * @return Answer<array{people: list<StandsAt>, given: GivenTo}>
     */
    public function present(#[CurrentUser] User $user, StoredInstallation $stored, Given $given): Answer
    {
        return new Answer([
            'people' => $this->places->others($stored),
            'given' => $given->atBench($stored, $user, $this->kept),
        ]);
    }

    /**
     * @return Answer<array{
     *     job: JobPage,
     *     state: JobState,
     *     people: list<StandsAt>,
     * }>
     */
    public function show(#[CurrentUser] User $user, StoredInstallation $stored, Times $times, string $ids): Answer
    {
        $job = $this->job($stored, $ids);

        return new Answer([
            'job' => JobResource::kept(
                $stored,
                $job,
                fn (): Loaded => $this->near->besideAtWork($stored, $job->runs()),
                $times->experience($stored),
            ),
            'state' => $this->state($stored, $job),
            'people' => $this->places->others($stored, $user),
        ]);
    }

    /**
     * What happened since a place in the record; asked every few seconds, so it reads no more than it has to.
     *
     * @return Answer<array{
     *     state: JobState|null,
     *     people: list<StandsAt>,
     * }>
     */
    public function since(
        #[Query(PlaceTaken::class)] PlaceTaken $asked,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        string $ids,
        int $cursor,
    ): Answer {
        $job = $this->job($stored, $ids);
        $this->places->stand($stored, $user, $job->assemblies[0], $asked->step);
        $now = $this->records->cursor($stored, $job->runs());

        return new Answer([
            'state' => $now === $cursor ? null : $this->state($stored, $job),
            'people' => $this->places->others($stored, $user),
        ]);
    }

    /** @return Answer<array{new: bool}> */
    #[Carries('event')]
    public function record(
        Request $request,
        Membership $member,
        StoredInstallation $stored,
        BenchRecorder $recorder,
        string $ids,
    ): Answer {
        if ($request->input('kind') === 'pictured') {
            // A record by itself could name what somebody else has uploaded.
            throw Refused::because('A photo is recorded by sending its picture.');
        }
        $job = $this->job($stored, $ids);
        $new = $recorder->record(
            $stored,
            $job,
            $member,
            $request->input('kind') === 'reworked' ? $this->reworked($request, $stored, $job) : $request->all(),
            Sent::by($member->user, $request->all()),
            DeviceClock::behind($request),
        );

        return new Answer(['new' => $new], $new ? 201 : 200);
    }

    /**
     * What putting a flaw right would take; nothing is recorded.
     *
     * @return Answer<ReworkShown>
     */
    public function rework(
        #[Query(ReworkAsked::class)] ReworkAsked $asked,
        StoredInstallation $stored,
        string $ids,
    ): Answer {
        $job = $this->job($stored, $ids);
        $rework = $this->plan($asked, $stored, $job);

        return new Answer([
            'remedy' => $rework->remedy->value,
            'words' => $rework->words,
            'reopens' => $rework->reopens,
            'scraps' => new Map($rework->scraps),
            'survives' => $rework->survives,
            'cutsBack' => $rework->cutsBack,
            'sparesLeft' => $rework->sparesLeft,
            'names' => array_map(
                static fn (string $id): string => $job->operation($id)->words ?? $id,
                $rework->reopens,
            ),
        ]);
    }

    /**
     * What rework goes back to and throws away is worked out here, not taken from the browser.
     *
     * @return array<array-key, mixed>
     */
    private function reworked(Request $request, StoredInstallation $stored, Job $job): array
    {
        $rework = $this->plan($this->decoder->decode(ReworkAsked::class, $request->all()), $stored, $job);
        abort_if(
            $rework->remedy === Disposition::Accept,
            422,
            'What is left as it is goes back to nothing. Confirm the inspection with a note.',
        );

        return ['reopens' => $rework->reopens, 'scraps' => $rework->scraps] +
            $request->except(['remedy', 'joint', 'found', 'reopens', 'scraps']);
    }

    private function plan(ReworkAsked $asked, StoredInstallation $stored, Job $job): Rework
    {
        $at = $job->operation($asked->step) ?? abort(404, 'There is no such step in this job. Load it again.');
        $progress = new Progress($job->traveller->operations, $this->records->events($stored, $job->runs()));

        return (new ReworkPlanner($this->near->atWork($stored, $job->runs())->installation))->of(
            $job->traveller->operations,
            $progress,
            $at,
            $asked->remedy,
            $asked->joint === '' ? null : $asked->joint,
            $asked->defects(),
        );
    }

    public function pdf(
        #[Query(UnitsAsked::class)] UnitsAsked $asked,
        StoredInstallation $stored,
        string $ids,
    ): Response {
        $job = $this->job($stored, $ids);
        $loaded = $this->near->atWork($stored, $job->runs());
        $canvas = new PdfCanvas(
            'Traveller '.implode(', ', $job->assemblies),
            TravellerDrawing::WIDTH,
            TravellerDrawing::HEIGHT,
        );
        $codes = array_map(static fn (string $run): string => $loaded->installation->runs()[$run]->code, $job->runs());
        TravellerDrawing::draw($canvas, $job->traveller, $codes, $stored->name, $asked->units);

        return new Response($canvas->bytes(), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => sprintf(
                'inline; filename="traveller-%s.pdf"',
                preg_replace('~[^A-Za-z0-9._-]~', '-', implode('-', $codes)),
            ),
            'Cache-Control' => 'private, no-store',
        ]);
    }

    private function job(StoredInstallation $stored, string $ids): Job
    {
        $this->kept->ready($stored);

        return $this->jobs->of($stored, explode(',', $ids)) ??
            abort(404, 'There is no such job. A run of it may have been removed, or joined to another.');
    }

    /** @return JobState */
    private function state(StoredInstallation $stored, Job $job): array
    {
        // The cursor first: what comes in between is then seen twice rather than never.
        $cursor = $this->records->cursor($stored, $job->runs());

        return JobStateResource::of($job, $this->records->events($stored, $job->runs()), $cursor, $stored->names());
    }
}
