<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Bench\Board;
use App\Bench\Jobs;
use App\Bench\Times;
use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\Loaded;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
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
    public function board(StoredInstallation $stored, Board $board): JsonResponse
    {
        return response()->json($board->of($stored));
    }

    public function index(
        #[CurrentUser] User $lead,
        StoredInstallation $stored,
        Loaded $loaded,
        Jobs $jobs,
        Times $times,
    ): JsonResponse {
        $people = $stored
            ->crew()
            ->get()
            ->map(
                fn (User $person): array => [
                    'id' => $person->id,
                    'signIn' => $person->sign_in,
                    'name' => $person->name,
                    'roles' => $person->roles,
                    'skills' => $person->skills,
                    'retired' => $person->retired_at !== null,
                    'signsIn' => $person->password !== null,
                    'mine' => $this->isMine($lead, $person),
                ],
            )
            ->all();
        $given = DB::table('assignments')
            ->where('installation_id', $stored->id)
            ->orderBy('id')
            ->get(['id', 'user_id', 'kind', 'key'])
            ->all();
        $book = $times->of($stored);

        return response()->json([
            'people' => $people,
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

    public function store(Request $request, StoredInstallation $stored): JsonResponse
    {
        $data = $this->checked($request, null);
        $signIn = mb_strtolower(trim($data['signIn'] ?? ''));
        if (User::query()->where('sign_in', $signIn)->exists()) {
            throw ValidationException::withMessages([
                'signIn' => 'Somebody has this sign-in name already. Choose another.',
            ]);
        }
        $password = self::password();
        $person = DB::transaction(function () use ($data, $signIn, $password, $stored): User {
            $person = User::query()->create([
                'sign_in' => $signIn,
                'name' => $data['name'],
                'roles' => $data['roles'],
                'skills' => $data['skills'],
                'password' => $password,
            ]);
            $stored->crew()->attach($person->id);

            return $person;
        });

        return response()->json(['id' => $person->id, 'password' => $password], 201);
    }

    public function update(
        Request $request,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        int $id,
    ): JsonResponse {
        $person = $this->person($user, $stored, $id);
        $data = $this->checked($request, $person);
        if ($person->id === $user->id && ! in_array(Role::Lead->value, $data['roles'], true)) {
            throw ValidationException::withMessages([
                'roles' => 'You cannot take the lead from yourself. Make somebody else lead first, and let them do it.',
            ]);
        }
        $person->update(['name' => $data['name'], 'roles' => $data['roles'], 'skills' => $data['skills']]);

        return response()->json(['saved' => true]);
    }

    /** A new password, shown once: the lead hands it over. */
    public function reset(#[CurrentUser] User $user, StoredInstallation $stored, int $id): JsonResponse
    {
        $person = $this->person($user, $stored, $id);
        $password = self::password();
        $person->update(['password' => $password]);
        DB::table('sessions')->where('user_id', $person->id)->delete();

        return response()->json(['password' => $password]);
    }

    public function retire(
        Request $request,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
        int $id,
    ): JsonResponse {
        $person = $this->person($user, $stored, $id);
        if ($person->id === $user->id) {
            throw ValidationException::withMessages(['id' => 'You cannot retire yourself. Another lead can.']);
        }
        $retires = $request->boolean('retired');
        $person->update(['retired_at' => $retires ? now() : null]);
        if ($retires) {
            DB::table('sessions')->where('user_id', $person->id)->delete();
        }

        return response()->json(['saved' => true]);
    }

    public function give(Request $request, StoredInstallation $stored, Loaded $loaded): JsonResponse
    {
        $data = $request->validate([
            'user' => 'required|integer',
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
        if (! $stored->crew()->where('users.id', $data['user'])->whereNull('retired_at')->exists()) {
            throw ValidationException::withMessages(['user' => 'This person is not at work here.']);
        }
        DB::table('assignments')->insertOrIgnore([
            'installation_id' => $stored->id,
            'user_id' => $data['user'],
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

    /** @return array{name: string, roles: list<string>, skills: list<string>, signIn?: string} */
    private function checked(Request $request, ?User $person): array
    {
        $roles = array_map(static fn (Role $role): string => $role->value, Role::cases());
        $skills = array_map(static fn (Skill $skill): string => $skill->value, Skill::cases());

        /** @var array{name: string, roles: list<string>, skills: list<string>, signIn?: string} */
        return $request->validate(
            [
                'name' => 'required|string|max:120',
                'roles' => 'required|array|min:1',
                'roles.*' => [Rule::in($roles)],
                'skills' => 'present|array',
                'skills.*' => [Rule::in($skills)],
                ...$person === null ? ['signIn' => 'required|string|max:200'] : [],
            ],
            [
                'name.required' => 'Write the person’s name.',
                'roles.required' => 'Choose at least one role.',
                'roles.*.in' => 'Roles are '.implode(', ', $roles).'.',
                'skills.*.in' => 'Skills are '.implode(', ', $skills).'.',
                'signIn.required' => 'Write a sign-in name, such as an address.',
            ],
        );
    }

    /** Of this crew, and of no crew that the lead is not lead of: a password opens all of somebody's installations. */
    private function person(User $lead, StoredInstallation $stored, int $id): User
    {
        $person = $stored->crew()->where('users.id', $id)->first() ?? abort(404, 'This person is not of the crew.');
        abort_unless(
            $this->isMine($lead, $person),
            403,
            'This person works on an installation that you do not lead. Their lead changes them.',
        );

        return $person;
    }

    private function isMine(User $lead, User $person): bool
    {
        $theirs = $person->installations()->pluck('installations.id')->all();

        return array_diff($theirs, $lead->installations()->pluck('installations.id')->all()) === [];
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

    private static function password(): string
    {
        return Str::lower(Str::random(4)).'-'.Str::lower(Str::random(4)).'-'.Str::lower(Str::random(4));
    }
}
