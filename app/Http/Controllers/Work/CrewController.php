<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Bench\Board;
use App\Bench\Jobs;
use App\Bench\Times;
use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Http\MadeOn;
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
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
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
    public function store(Request $request, #[CurrentUser] User $user, StoredInstallation $stored): JsonResponse
    {
        [$roles, $skills] = self::checked($request);
        if ($request->has('person')) {
            $request->validate(['person' => 'required|string|max:40']);
            $key = $request->string('person')->toString();
            $this->desk->take($stored, $user, $key, $roles, $skills);

            return response()->json(['id' => $key, 'invitation' => null], 201);
        }
        $request->validate(
            ['name' => 'required|string|max:120', 'signIn' => 'required|string|max:200'],
            [
                'name.required' => 'Write the person’s name.',
                'signIn.required' => 'Write a sign-in name, such as a mail address.',
            ],
        );
        $invited = $this->desk->invite(
            $stored,
            $user,
            $request->string('name')->toString(),
            $request->string('signIn')->toString(),
            $roles,
            $skills,
        );

        return response()->json(['id' => $invited->person->key, 'invitation' => $invited->invitation->shape()], 201);
    }

    public function update(
        Request $request,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        string $person,
    ): JsonResponse {
        [$roles, $skills] = self::checked($request);
        $this->desk->change(self::member($stored, $person), $stored, $user, $roles, $skills, MadeOn::version($request));

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

    public function give(Request $request, StoredInstallation $stored, Loaded $loaded): JsonResponse
    {
        $data = $request->validate([
            'person' => 'required|string|max:40',
            'kind' => ['required', Rule::in(['loom', 'assembly', 'skill'])],
            'key' => 'required|string|max:255',
        ]);
        $known = match ($data['kind']) {
            'loom' => isset($loaded->installation->looms()[$data['key']]),
            'assembly' => isset($loaded->plan()->assemblies[$data['key']]),
            default => Skill::tryFrom($data['key']) !== null,
        };
        if (! $known) {
            throw ValidationException::withMessages([
                'key' => sprintf('There is no %s "%s" here.', $data['kind'], $data['key']),
            ]);
        }
        $person = $stored->atWork()->whereRelation('user', 'key', $data['person'])->value('user_id');
        if ($person === null) {
            throw ValidationException::withMessages(['person' => 'This person is not at work here.']);
        }
        DB::table('assignments')->insertOrIgnore([
            'installation_id' => $stored->id,
            'user_id' => $person,
            'kind' => $data['kind'],
            'key' => $data['key'],
        ]);

        return response()->json(['saved' => true], 201);
    }

    public function take(StoredInstallation $stored, int $id): JsonResponse
    {
        DB::table('assignments')->where('installation_id', $stored->id)->where('id', $id)->delete();

        return response()->json(['saved' => true]);
    }

    public function workshop(Request $request, StoredInstallation $stored, Author $author, ChangeLog $log): JsonResponse
    {
        $problems = new Problems();
        $workshop = StockCodec::workshop(Fields::from($request->input('workshop'), '', $problems));
        $problems->settle();
        $after = StockCodec::encodeWorkshop($workshop);
        $edit = new Edit(DecisionKind::Workshop, $stored->key, $after, $request->integer('version'));
        $log->write(new Decision($stored, $author, 'Benches, hours and shared tools changed', [$edit]));

        return response()->json(['saved' => true]);
    }

    /** @return array{list<string>, list<string>} roles and skills */
    private static function checked(Request $request): array
    {
        $roles = array_map(static fn (Role $role): string => $role->value, Role::cases());
        $skills = array_map(static fn (Skill $skill): string => $skill->value, Skill::cases());

        /** @var array{roles: list<string>, skills: list<string>} $data */
        $data = $request->validate(
            [
                'roles' => 'required|array|min:1',
                'roles.*' => ['distinct', Rule::in($roles)],
                'skills' => 'present|array',
                'skills.*' => ['distinct', Rule::in($skills)],
            ],
            [
                'roles.required' => 'Choose at least one role.',
                'roles.*.in' => 'Roles are '.implode(', ', $roles).'.',
                'skills.*.in' => 'Skills are '.implode(', ', $skills).'.',
            ],
        );

        return [array_values($data['roles']), array_values($data['skills'])];
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
