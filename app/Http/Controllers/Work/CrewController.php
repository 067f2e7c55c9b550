<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Bench\Board;
use App\Bench\Jobs;
use App\Bench\Times;
use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Contract\Body;
use App\Contract\Slips;
use App\Formats\BadLine;
use App\Http\Requests\Who\Assignment;
use App\Http\Requests\Who\AssignmentKind;
use App\Http\Requests\Who\MemberChange;
use App\Http\Requests\Who\NewMember;
use App\Http\Requests\Work\WorkshopChange;
use App\Http\Resources\Who\CrewResource;
use App\Models\Membership;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\Loaded;
use App\Who\CrewDesk;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\File\StockCodec;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Bench\Skill;

/** The crew: who there is, what they can, what they were given, and the board that the lead looks at. */
final readonly class CrewController
{
    public function __construct(private CrewDesk $desk)
    {
    }

    public function board(StoredInstallation $stored, Board $board): JsonResponse
    {
        return response()->json($board->of($stored));
    }

    public function index(
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        Loaded $loaded,
        Jobs $jobs,
        Times $times,
    ): JsonResponse {
        $given = DB::table('assignments')
            ->join('users', 'users.id', '=', 'user_id')
            ->where('installation_id', $stored->id)
            ->orderBy('assignments.id')
            ->get(['assignments.id', 'users.key as person', 'kind', 'assignments.key'])
            ->all();
        $book = $times->of($stored);

        return response()->json([
            ...CrewResource::of($stored, $user),
            'given' => $given,
            'skills' => array_map(
                static fn (Skill $skill): array => ['id' => $skill->value, 'name' => $skill->words()],
                Skill::cases(),
            ),
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
            'tools' => $this->tools($stored, $loaded, $jobs),
            'version' => $stored->version,
            'times' => array_map(
                static fn (Pace $pace): array => [
                    'pace' => $pace->value,
                    'minutes' => PlanEncoder::figure($book->figure($pace)),
                    'measured' => $book->isMeasured($pace),
                ],
                Pace::cases(),
            ),
        ]);
    }

    /** A colleague by "person", or somebody new by "name" and "signIn". */
    public function store(
        #[Body(NewMember::class)] NewMember $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
    ): JsonResponse {
        [$roles, $skills] = self::chosen($sent->roles, $sent->skills);
        if ($sent->person !== '') {
            $this->desk->take($stored, $user, $sent->person, $roles, $skills);

            return response()->json(['id' => $sent->person, 'invitation' => null], 201);
        }
        $this->named($sent);
        $invited = $this->desk->invite($stored, $user, $sent->name, $sent->signIn, $roles, $skills);

        return response()->json(['id' => $invited->person->key, 'invitation' => $invited->invitation->shape()], 201);
    }

    public function update(
        #[Body(MemberChange::class)] MemberChange $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        string $person,
    ): JsonResponse {
        [$roles, $skills] = self::chosen($sent->roles, $sent->skills);
        $this->desk->change(self::member($stored, $person), $stored, $user, $roles, $skills, $sent->version);

        return response()->json(['saved' => true]);
    }

    /** Out of the crew; what they did stays theirs. */
    public function end(#[CurrentUser] User $user, StoredInstallation $stored, string $person): JsonResponse
    {
        $this->desk->end(self::member($stored, $person), $stored, $user);

        return response()->json(['saved' => true]);
    }

    /** Everybody may go by themselves. */
    public function leave(Membership $member, StoredInstallation $stored): JsonResponse
    {
        $this->desk->end($member, $stored, $member->user);

        return response()->json(['saved' => true]);
    }

    public function give(
        #[Body(Assignment::class)] Assignment $sent,
        StoredInstallation $stored,
        Loaded $loaded,
    ): JsonResponse {
        $known = match ($sent->kind) {
            AssignmentKind::Loom => isset($loaded->installation->looms()[$sent->key]),
            AssignmentKind::Assembly => isset($loaded->plan()->assemblies[$sent->key]),
            AssignmentKind::Skill => Skill::tryFrom($sent->key) !== null,
        };
        if (! $known) {
            throw ValidationException::withMessages([
                'key' => sprintf('There is no %s "%s" here.', $sent->kind->value, $sent->key),
            ]);
        }
        $person = $stored->atWork()->whereRelation('user', 'key', $sent->person)->value('user_id');
        if ($person === null) {
            throw ValidationException::withMessages(['person' => 'This person is not at work here.']);
        }
        DB::table('assignments')->insertOrIgnore([
            'installation_id' => $stored->id,
            'user_id' => $person,
            'kind' => $sent->kind->value,
            'key' => $sent->key,
        ]);

        return response()->json(['saved' => true], 201);
    }

    public function take(StoredInstallation $stored, int $id): JsonResponse
    {
        DB::table('assignments')->where('installation_id', $stored->id)->where('id', $id)->delete();

        return response()->json(['saved' => true]);
    }

    public function workshop(
        #[Body(WorkshopChange::class)] WorkshopChange $sent,
        StoredInstallation $stored,
        Author $author,
        ChangeLog $log,
    ): JsonResponse {
        $problems = new Problems();
        $workshop = StockCodec::workshop(Fields::from($sent->workshop, '', $problems));
        $problems->settle();
        $after = StockCodec::encodeWorkshop($workshop);
        $edit = new Edit(DecisionKind::Workshop, $stored->key, $after, $sent->version ?? 0);
        $log->write(new Decision($stored, $author, 'Benches, hours and shared tools changed', [$edit]));

        return response()->json(['saved' => true]);
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

    /** @return list<string> every tool that operations name */
    private function tools(StoredInstallation $stored, Loaded $loaded, Jobs $jobs): array
    {
        $tools = [];
        foreach ($loaded->plan()->assemblies as $assembly) {
            foreach ($jobs->of($stored, [$assembly->id])->traveller->operations ?? [] as $operation) {
                $tools[$operation->tool] = true;
            }
        }
        unset($tools['']);
        ksort($tools);

        return array_map(strval(...), array_keys($tools));
    }
}
