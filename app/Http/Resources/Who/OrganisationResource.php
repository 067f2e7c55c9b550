<?php

declare(strict_types=1);

namespace App\Http\Resources\Who;

use App\Models\Membership;
use App\Models\Office;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;

/**
 * An organisation as one of its people may see it: all of it with an office, else its name.
 *
 * @phpstan-type OrganisationPage array{
 *     name: string,
 *     version: int,
 *     offices: list<value-of<Office>>,
 *     people: list<OrganisationPerson>,
 *     installations: list<OrganisationInstallation>,
 * }
 * @phpstan-type OrganisationPerson array{
 *     id: string,
 *     name: string,
 *     signIn: string|null,
 *     offices: list<value-of<Office>>,
 *     version: int,
 *     retired: bool,
 *     signsIn: bool,
 *     crews: int,
 * }
 * @phpstan-type OrganisationInstallation array{
 *     id: int,
 *     key: string,
 *     address: string,
 *     name: string,
 *     archived: bool,
 *     crew: int,
 *     leads: list<string>,
 *     mine: bool,
 * }
 */
final class OrganisationResource
{
    /** @return OrganisationPage */
    public static function of(User $user): array
    {
        $organisation = $user->organisation()->firstOrFail();
        $sees = $user->offices !== [];
        $members = Membership::query()
            ->with('user')
            ->where('ended_at', null)
            ->whereRelation('user', 'organisation_id', $organisation->id)
            ->get();
        $installations = $sees ? $organisation->installations()->get() : null;

        return [
            'name' => $organisation->name,
            'version' => $organisation->version,
            'offices' => $user->offices,
            'people' => $sees && $user->holds(Office::People)
                    ? array_map(
                        static fn (User $each): array => self::person(
                            $each,
                            $members->where('user_id', $each->id)->pluck('installation_id')->all(),
                        ),
                        array_values($organisation->people()->get()->all()),
                    )
                    : [],
            'installations' => $installations === null
                    ? []
                    : array_values(
                        $installations
                            ->map(
                                static fn (StoredInstallation $each): array => self::installation(
                                    $each,
                                    array_values($members->where('installation_id', $each->id)->all()),
                                    $user,
                                ),
                            )
                            ->all(),
                    ),
        ];
    }

    /**
     * @param  array<array-key, mixed>  $of  ids of installations
     * @return OrganisationPerson
     */
    private static function person(User $person, array $of): array
    {
        return [
            'id' => $person->key,
            'name' => $person->name,
            'signIn' => $person->sign_in ?? $person->known_as,
            'offices' => $person->offices,
            'version' => $person->version,
            'retired' => $person->retired_at !== null,
            'signsIn' => $person->password !== null,
            'crews' => count($of),
        ];
    }

    /**
     * @param  list<Membership>  $members
     * @return OrganisationInstallation
     */
    private static function installation(StoredInstallation $each, array $members, User $for): array
    {
        $leads = array_filter($members, static fn (Membership $member): bool => $member->hasRole(Role::Lead));

        return [
            ...$each->reference(),
            'archived' => $each->archived_at !== null,
            'crew' => count($members),
            'leads' => array_values(array_map(static fn (Membership $lead): string => $lead->user->name, $leads)),
            'mine' => in_array(
                $for->id,
                array_map(static fn (Membership $member): int => $member->user_id, $members),
                true,
            ),
        ];
    }
}
