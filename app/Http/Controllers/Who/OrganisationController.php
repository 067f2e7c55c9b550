<?php

declare(strict_types=1);

namespace App\Http\Controllers\Who;

use App\Http\MadeOn;
use App\Http\Resources\Who\OrganisationResource;
use App\Models\Office;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Who\CrewDesk;
use App\Who\Entry;
use App\Who\Logbook;
use App\Who\People;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

/** An organisation, for those who look after its people or its installations. */
final readonly class OrganisationController
{
    private const LINES = 200;

    public function __construct(private People $people)
    {
    }

    public function show(#[CurrentUser] User $user): JsonResponse
    {
        return response()->json(OrganisationResource::of($user));
    }

    public function rename(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $request->validate(
            ['name' => 'required|string|max:120', 'version' => 'required|integer'],
            ['name.required' => 'Write what your organisation is called.'],
        );
        $name = $request->string('name')->trim()->toString();
        $organisation = $user->organisation()->firstOrFail();
        $changed = $organisation
            ->newQuery()
            ->whereKey($organisation->id)
            ->where('version', $request->integer('version'))
            ->update(['name' => $name, 'version' => $request->integer('version') + 1]);
        if ($changed === 0) {
            return response()->json(
                [
                    'message' => 'Somebody else renamed it meanwhile. Look at both and save again.',
                    'theirs' => ['name' => $organisation->name, 'version' => $organisation->version],
                    'yours' => ['name' => $name],
                ],
                409,
            );
        }
        Logbook::write(Entry::Office, sprintf('%s is called %s', $organisation->name, $name), $user);

        return $this->show($user);
    }

    public function invite(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $request->validate(
            ['name' => 'required|string|max:120', 'signIn' => 'required|string|max:200', ...self::offices()],
            [
                'name.required' => 'Write the person’s name.',
                'signIn.required' => 'Write a sign-in name, such as a mail address.',
            ],
        );
        $invited = $this->people->invite(
            $user,
            $request->string('name')->toString(),
            $request->string('signIn')->toString(),
            self::chosen($request),
        );

        return response()->json(['id' => $invited->person->key, 'invitation' => $invited->invitation->shape()], 201);
    }

    public function again(#[CurrentUser] User $user, string $person): JsonResponse
    {
        return response()->json(
            ['invitation' => $this->people->again(self::person($user, $person), $user)->shape()],
            201,
        );
    }

    public function update(Request $request, #[CurrentUser] User $user, string $person): JsonResponse
    {
        $request->validate(
            ['name' => 'required|string|max:120', ...self::offices()],
            ['name.required' => 'Write the person’s name.'],
        );
        $name = $request->string('name')->toString();
        $this->people->change(
            self::person($user, $person),
            $user,
            $name,
            self::chosen($request),
            MadeOn::version($request),
        );

        return $this->show($user->refresh());
    }

    public function retire(Request $request, #[CurrentUser] User $user, string $person): JsonResponse
    {
        $request->validate(['retired' => 'required|boolean']);
        $this->people->retire(self::person($user, $person), $user, $request->boolean('retired'));

        return $this->show($user);
    }

    /** Where an installation has lost its lead, somebody has to put one. */
    public function lead(
        Request $request,
        #[CurrentUser] User $user,
        CrewDesk $crew,
        string $installation,
    ): JsonResponse {
        $request->validate(['person' => 'required|string|max:40']);
        $in =
            StoredInstallation::query()
                ->where('organisation_id', $user->organisation_id)
                ->where('address', strtolower($installation))
                ->first() ?? abort(404, 'Your organisation has no installation at this address.');
        $person = self::person($user, $request->string('person')->toString());
        $member = $in->memberships()->where('user_id', $person->id)->first();
        $roles = array_values(
            array_unique([...$member?->ended_at === null ? $member->roles ?? [] : [], Role::Lead->value]),
        );
        $crew->take($in, $user, $person->key, $roles, $member->skills ?? []);

        return $this->show($user);
    }

    public function log(#[CurrentUser] User $user): JsonResponse
    {
        return response()->json([
            'rows' => DB::table('logbook')
                ->leftJoin('users', 'users.id', '=', 'logbook.user_id')
                ->leftJoin('installations', 'installations.id', '=', 'logbook.installation_id')
                ->where('logbook.organisation_id', $user->organisation_id)
                ->orderByDesc('logbook.id')
                ->limit(self::LINES)
                ->get([
                    'logbook.what',
                    'logbook.words',
                    'logbook.created_at as at',
                    'users.name as who',
                    'installations.name as installation',
                ])
                ->all(),
        ]);
    }

    /** @return array<string, mixed> */
    private static function offices(): array
    {
        return [
            'offices' => 'present|array',
            'offices.*' => ['distinct', Rule::enum(Office::class)],
        ];
    }

    /** @return list<string> */
    private static function chosen(Request $request): array
    {
        return array_values(array_filter((array) $request->input('offices'), is_string(...)));
    }

    private static function person(User $user, string $key): User
    {
        return User::query()->where('organisation_id', $user->organisation_id)->where('key', $key)->first() ??
            abort(404, 'Nobody like that is in your organisation.');
    }
}
