<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Bench\Board;
use App\Bench\GivingDesk;
use App\Bench\KeptJobs;
use App\Bench\Times;
use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\FileParts;
use App\Contract\Query;
use App\Contract\Refusal;
use App\Contract\Slips;
use App\Formats\BadLine;
use App\Http\Requests\Who\Assignment;
use App\Http\Requests\Who\AssignmentKind;
use App\Http\Requests\Who\MemberChange;
use App\Http\Requests\Who\NewMember;
use App\Http\Requests\Work\BoardAsked;
use App\Http\Requests\Work\WorkshopChange;
use App\Http\Resources\Who\CrewResource;
use App\Models\Membership;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\InstallationStore;
use App\Planning\Kept;
use App\Planning\Loaded;
use App\Who\CrewDesk;
use App\Who\Invitation;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\File\StockCodec;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Bench\TimeBook;

/**
 * The crew: who there is, what they can, what they were given, and the board that the lead looks at.
 *
 * @phpstan-import-type BoardShown from Board
 * @phpstan-import-type CrewMember from CrewResource
 * @phpstan-import-type FileWorkshop from FileParts
 * @phpstan-import-type FigureShown from PlanEncoder
 * @phpstan-import-type InvitationShown from Invitation
 *
 * @phpstan-type CrewPage array{
 *     people: list<CrewMember>,
 *     colleagues: list<array{id: string, name: string}>,
 *     invites: bool,
 *     given: list<array{id: int, person: string, kind: string, key: string}>,
 *     skills: list<array{id: value-of<Skill>, name: string}>,
 *     looms: list<array{id: string, name: string}>,
 *     jobs: list<array{id: string, name: string}>,
 *     workshop: FileWorkshop,
 *     tools: list<string>,
 *     version: int,
 *     times: list<array{pace: value-of<Pace>, minutes: FigureShown, measured: bool}>,
 * }
 * @phpstan-type CrewWork array{
 *     looms: list<array{id: string, name: string}>,
 *     jobs: list<array{id: string, name: string}>,
 *     workshop: FileWorkshop,
 * }
 */
final readonly class CrewController
{
    public function __construct(private CrewDesk $desk)
    {
    }

    /** @return Answer<BoardShown> */
    public function board(
        #[Query(BoardAsked::class)] BoardAsked $asked,
        StoredInstallation $stored,
        Board $board,
    ): Answer {
        return new Answer($board->of($stored));
    }

    private static function answers(Membership $member): bool
    {
        return $member->hasRole(Role::Planner, Role::Lead);
    }

    /**
     * Who is at work here, and so may be asked: those who may answer first.
     *
     * @return Answer<array{people: list<array{id: string, name: string, answers: bool}>}>
     */
    public function colleagues(StoredInstallation $stored): Answer
    {
        $people = [];
        $crew = $stored->atWork()->get()->sortBy([
            static fn (Membership $a, Membership $b): int => self::answers($b) <=> self::answers($a),
            ['user.name', 'asc'],
        ]);
        foreach ($crew as $member) {
            $people[] = [
                'id' => $member->user->key,
                'name' => $member->user->name,
                'answers' => self::answers($member),
            ];
        }

        return new Answer(['people' => $people]);
    }

    /**
     * @return Answer<CrewPage>
     */
    public function index(
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        InstallationStore $store,
        KeptJobs $jobs,
        Times $times,
    ): Answer {
        $given = DB::table('assignments')
            ->join('users', 'users.id', '=', 'user_id')
            ->where('installation_id', $stored->id)
            ->orderBy('assignments.id')
            ->get(['assignments.id', 'users.key as person', 'kind', 'assignments.key'])
            ->map(
                static fn (object $row): array => [
                    'id' => (int) $row->id,
                    'person' => (string) $row->person,
                    'kind' => (string) $row->kind,
                    'key' => (string) $row->key,
                ],
            )
            ->all();
        // Before there are thousands of jobs in memory, and let go: nothing else here asks what was decided.
        $work = Kept::once(
            $stored,
            'crew',
            Kept::state($stored->decisions),
            static function () use ($store, $stored): array {
                $work = self::work($store->load($stored));
                gc_collect_cycles();

                return $work;
            },
        );
        $book = $times->of($stored);

        return new Answer([
            ...CrewResource::of($stored, $user),
            'given' => array_values($given),
            'skills' => array_map(
                static fn (Skill $skill): array => ['id' => $skill->value, 'name' => $skill->words()],
                Skill::cases(),
            ),
            ...$work,
            'tools' => $jobs->tools($stored),
            'version' => $stored->version,
            'times' => self::times($book),
        ]);
    }

    /** @return list<array{pace: value-of<Pace>, minutes: FigureShown, measured: bool}> */
    private static function times(TimeBook $book): array
    {
        $times = [];
        foreach (Pace::cases() as $pace) {
            $times[] = [
                'pace' => $pace->value,
                'minutes' => PlanEncoder::figure($book->figure($pace)),
                'measured' => $book->isMeasured($pace),
            ];
        }

        return $times;
    }

    /**
     * What there is to give to somebody, and by which hours and tools.
     *
     * @return CrewWork
     */
    private static function work(Loaded $loaded): array
    {
        return [
            'looms' => array_map(
                static fn (Loom $loom): array => ['id' => $loom->id, 'name' => $loom->name],
                array_values($loaded->installation->looms()),
            ),
            'jobs' => array_map(
                static fn (Assembly $assembly): array => [
                    'id' => $assembly->id,
                    'name' => implode(
                        ', ',
                        array_slice(
                            array_map(
                                static fn (string $run): string => $loaded->installation->runs()[$run]->code,
                                $assembly->runs,
                            ),
                            0,
                            3,
                        ),
                    ),
                ],
                array_values($loaded->plan()->assemblies),
            ),
            'workshop' => StockCodec::encodeWorkshop($loaded->installation->workshop()),
        ];
    }

    /**
     * A colleague by "person", or somebody new by "name" and "signIn".
     *
     * @return Answer<array{id: string, invitation: InvitationShown|null}>
     */
    public function store(
        #[Body(NewMember::class)] NewMember $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
    ): Answer {
        [$roles, $skills] = self::chosen($sent->roles, $sent->skills);
        if ($sent->person !== '') {
            $this->desk->take($stored, $user, $sent->person, $roles, $skills);

            return new Answer(['id' => $sent->person, 'invitation' => null], 201);
        }
        $this->named($sent);
        $invited = $this->desk->invite($stored, $user, $sent->name, $sent->signIn, $roles, $skills);

        return new Answer(['id' => $invited->person->key, 'invitation' => $invited->invitation->shape()], 201);
    }

    /** @return Answer<array{saved: true}> */
    public function update(
        #[Body(MemberChange::class)] MemberChange $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        string $person,
    ): Answer {
        [$roles, $skills] = self::chosen($sent->roles, $sent->skills);
        $this->desk->change(self::member($stored, $person), $stored, $user, $roles, $skills, $sent->version);

        return new Answer(['saved' => true]);
    }

    /**
     * Out of the crew; what they did stays theirs.
     *
     * @return Answer<array{saved: true}>
     */
    public function end(#[CurrentUser] User $user, StoredInstallation $stored, string $person): Answer
    {
        $this->desk->end(self::member($stored, $person), $stored, $user);

        return new Answer(['saved' => true]);
    }

    /**
     * Everybody may go by themselves.
     *
     * @return Answer<array{saved: true}>
     */
    public function leave(Membership $member, StoredInstallation $stored): Answer
    {
        $this->desk->end($member, $stored, $member->user);

        return new Answer(['saved' => true]);
    }

    /**
     * "was": who was given it before, and no longer is.
     *
     * @return Answer<array{id: int, isNew: bool, was: list<string>}>
     */
    public function give(
        #[Body(Assignment::class)] Assignment $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        KeptJobs $jobs,
        GivingDesk $giving,
    ): Answer {
        $known = match ($sent->kind) {
            AssignmentKind::Loom => $stored->entries()->where('kind', 'loom')->where('key', $sent->key)->exists(),
            AssignmentKind::Assembly => isset($jobs->index($stored)->seen[$sent->key]),
            AssignmentKind::Skill => Skill::tryFrom($sent->key) !== null,
        };
        if (! $known) {
            throw Refusal::of('key', sprintf('There is no %s "%s" here.', $sent->kind->value, $sent->key));
        }
        $person = $stored->atWork()->whereRelation('user', 'key', $sent->person)->first();
        if ($person === null) {
            throw Refusal::of('person', 'This person is not at work here.');
        }

        return new Answer(
            $giving->give($stored, $user, $person->user, $sent->kind->value, $sent->key, $sent->only),
            201,
        );
    }

    /** @return Answer<array{saved: true}> */
    public function take(
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        GivingDesk $giving,
        int $id,
    ): Answer {
        $giving->take($stored, $user, $id);

        return new Answer(['saved' => true]);
    }

    /** @return Answer<array{saved: true}> */
    public function workshop(
        #[Body(WorkshopChange::class)] WorkshopChange $sent,
        StoredInstallation $stored,
        Author $author,
        ChangeLog $log,
    ): Answer {
        $problems = new Problems();
        $workshop = StockCodec::workshop(Fields::from($sent->workshop, '', $problems));
        $problems->settle();
        $after = StockCodec::encodeWorkshop($workshop);
        $edit = new Edit(DecisionKind::Workshop, $stored->key, $after, $sent->version ?? 0);
        $log->write(new Decision($stored, $author, 'Benches, hours and shared tools changed', [$edit]));

        return new Answer(['saved' => true]);
    }

    /** @throws BadLine where somebody new has no name to be known by */
    private function named(NewMember $sent): void
    {
        $slips = new Slips();
        if ($sent->name === '') {
            $slips->add('name', '', 'Write the person’s name.');
        }
        if ($sent->signIn === '') {
            $slips->add('signIn', '', 'Write a sign-in name, such as a mail address.');
        }
        $slips->settle();
    }

    /**
     * @param  list<Role>  $roles
     * @param  list<Skill>  $skills
     * @return array{list<string>, list<string>} each once
     */
    private static function chosen(array $roles, array $skills): array
    {
        return [
            array_values(array_unique(array_map(static fn (Role $role): string => $role->value, $roles))),
            array_values(array_unique(array_map(static fn (Skill $skill): string => $skill->value, $skills))),
        ];
    }

    private static function member(StoredInstallation $stored, string $person): Membership
    {
        return $stored
            ->memberships()
            ->with('user')
            ->where('ended_at', null)
            ->whereRelation('user', 'key', $person)
            ->first() ?? abort(404, 'This person is not of the crew.');
    }
}
