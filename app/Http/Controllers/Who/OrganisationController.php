<?php

declare(strict_types=1);

namespace App\Http\Controllers\Who;

use App\Contract\Body;
use App\Http\Requests\Who\ColleagueChange;
use App\Http\Requests\Who\NewColleague;
use App\Http\Requests\Who\NewLead;
use App\Http\Requests\Who\OrganisationName;
use App\Http\Requests\Who\Retirement;
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
use Illuminate\Support\Facades\DB;

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

    public function rename(
        #[Body(OrganisationName::class)] OrganisationName $sent,
        #[CurrentUser] User $user,
    ): JsonResponse {
        $name = $sent->name;
        $organisation = $user->organisation()->firstOrFail();
        $changed = $organisation
            ->newQuery()
            ->whereKey($organisation->id)
            ->where('version', $sent->version)
            ->update(['name' => $name, 'version' => $sent->version + 1]);
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

    public function invite(#[Body(NewColleague::class)] NewColleague $sent, #[CurrentUser] User $user): JsonResponse
    {
        $invited = $this->people->invite($user, $sent->name, $sent->signIn, self::chosen($sent->offices));

        return response()->json(['id' => $invited->person->key, 'invitation' => $invited->invitation->shape()], 201);
    }

    public function again(#[CurrentUser] User $user, string $person): JsonResponse
    {
        return response()->json(
            ['invitation' => $this->people->again(self::person($user, $person), $user)->shape()],
            201,
        );
    }

    public function update(
        #[Body(ColleagueChange::class)] ColleagueChange $sent,
        #[CurrentUser] User $user,
        string $person,
    ): JsonResponse {
        $name = $sent->name;
        $this->people->change(self::person($user, $person), $user, $name, self::chosen($sent->offices), $sent->version);

        return $this->show($user->refresh());
    }

    public function retire(
        #[Body(Retirement::class)] Retirement $sent,
        #[CurrentUser] User $user,
        string $person,
    ): JsonResponse {
        $this->people->retire(self::person($user, $person), $user, $sent->retired);

        return $this->show($user);
    }

    /** Where an installation has lost its lead, somebody has to put one. */
    public function lead(
        #[Body(NewLead::class)] NewLead $sent,
        #[CurrentUser] User $user,
        CrewDesk $crew,
        string $installation,
    ): JsonResponse {
        $in =
            StoredInstallation::query()
                ->where('organisation_id', $user->organisation_id)
                ->where('address', strtolower($installation))
                ->first() ?? abort(404, 'Your organisation has no installation at this address.');
        $person = self::person($user, $sent->person);
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

    /**
     * @param  list<Office>  $offices
     * @return list<string>
     */
    private static function chosen(array $offices): array
    {
        return array_values(array_unique(array_map(static fn (Office $office): string => $office->value, $offices)));
    }

    private static function person(User $user, string $key): User
    {
        return User::query()->where('organisation_id', $user->organisation_id)->where('key', $key)->first() ??
            abort(404, 'Nobody like that is in your organisation.');
    }
}
