<?php

declare(strict_types=1);

namespace App\Http\Controllers\Who;

use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Refusal;
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
use App\Who\Invitation;
use App\Who\Logbook;
use App\Who\People;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Support\Facades\DB;

/**
 * An organisation, for those who look after its people or its installations.
 *
 * @phpstan-import-type OrganisationPage from OrganisationResource
 * @phpstan-import-type InvitationShown from Invitation
 */
final readonly class OrganisationController
{
    private const LINES = 200;

    public function __construct(private People $people)
    {
    }

    /** @return Answer<OrganisationPage> */
    public function show(#[CurrentUser] User $user): Answer
    {
        return new Answer(OrganisationResource::of($user));
    }

    /**
     * @return Answer<OrganisationPage>
     */
    public function rename(#[Body(OrganisationName::class)] OrganisationName $sent, #[CurrentUser] User $user): Answer
    {
        $name = $sent->name;
        $organisation = $user->organisation()->firstOrFail();
        $changed = $organisation
            ->newQuery()
            ->whereKey($organisation->id)
            ->where('version', $sent->version)
            ->update(['name' => $name, 'version' => $sent->version + 1]);
        if ($changed === 0) {
            throw Refusal::late(
                'Somebody else renamed it meanwhile. Look at both and save again.',
                ['name' => $name],
                ['name' => $organisation->name, 'version' => $organisation->version],
            );
        }
        Logbook::write(Entry::Office, sprintf('%s is called %s', $organisation->name, $name), $user);

        return $this->show($user);
    }

    /** @return Answer<array{id: string, invitation: InvitationShown}> */
    public function invite(#[Body(NewColleague::class)] NewColleague $sent, #[CurrentUser] User $user): Answer
    {
        $invited = $this->people->invite($user, $sent->name, $sent->signIn, self::chosen($sent->offices));

        return new Answer(['id' => $invited->person->key, 'invitation' => $invited->invitation->shape()], 201);
    }

    /** @return Answer<array{invitation: InvitationShown}> */
    public function again(#[CurrentUser] User $user, string $person): Answer
    {
        return new Answer(['invitation' => $this->people->again(self::person($user, $person), $user)->shape()], 201);
    }

    /** @return Answer<OrganisationPage> */
    public function update(
        #[Body(ColleagueChange::class)] ColleagueChange $sent,
        #[CurrentUser] User $user,
        string $person,
    ): Answer {
        $name = $sent->name;
        $this->people->change(self::person($user, $person), $user, $name, self::chosen($sent->offices), $sent->version);

        return $this->show($user->refresh());
    }

    /** @return Answer<OrganisationPage> */
    public function retire(
        #[Body(Retirement::class)] Retirement $sent,
        #[CurrentUser] User $user,
        string $person,
    ): Answer {
        $this->people->retire(self::person($user, $person), $user, $sent->retired);

        return $this->show($user);
    }

    /**
     * Where an installation has lost its lead, somebody has to put one.
     *
     * @return Answer<OrganisationPage>
     */
    public function lead(
        #[Body(NewLead::class)] NewLead $sent,
        #[CurrentUser] User $user,
        CrewDesk $crew,
        string $installation,
    ): Answer {
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

    /**
     * @return Answer<array{
     *     rows: list<array{what: string, words: string, at: string, who: string|null, installation: string|null}>,
     * }>
     */
    public function log(#[CurrentUser] User $user): Answer
    {
        return new Answer([
            'rows' => array_values(
                DB::table('logbook')
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
                    ->map(
                        static fn (object $row): array => [
                            'what' => (string) $row->what,
                            'words' => (string) $row->words,
                            'at' => (string) $row->at,
                            'who' => $row->who === null ? null : (string) $row->who,
                            'installation' => $row->installation === null ? null : (string) $row->installation,
                        ],
                    )
                    ->all(),
            ),
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
