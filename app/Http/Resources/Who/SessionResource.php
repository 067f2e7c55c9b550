<?php

declare(strict_types=1);

namespace App\Http\Resources\Who;

use App\Http\LastOpened;
use App\Models\Membership;
use App\Models\Office;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;

/**
 * Who somebody is, what they look after, and where they may go.
 *
 * @phpstan-import-type InstallationRef from StoredInstallation
 *
 * @phpstan-type SessionOpen array{
 *     person: array{
 *         id: string,
 *         name: string,
 *         signIn: string|null,
 *         organisation: string|null,
 *         offices: list<value-of<Office>>,
 *         roles: list<value-of<Role>>,
 *         skills: list<string>,
 *     },
 *     installations: list<InstallationRef>,
 *     open: InstallationRef|null,
 * }
 */
final class SessionResource
{
    /**
     * @param  string  $at  address of the installation that the page is of; "": of none
     * @return SessionOpen
     */
    public static function of(User $user, string $at): array
    {
        $installations = $user
            ->installations()
            ->get(StoredInstallation::REFERRED)
            ->map(static fn (StoredInstallation $each): array => $each->reference());
        $last = LastOpened::by($user);
        // The one that is asked about; where none is, the one to go on with.
        $open = $installations->firstWhere('address', $at === '' ? $last?->address : $at);
        $member = $open === null ? null : self::member($user, $open['id']);

        return [
            'person' => [
                'id' => $user->key,
                'name' => $user->name,
                'signIn' => $user->sign_in,
                'organisation' => $user->organisation()->value('name'),
                'offices' => $user->offices,
                'roles' => $member->roles ?? [],
                'skills' => $member->skills ?? [],
            ],
            'installations' => array_values($installations->all()),
            'open' => $open,
        ];
    }

    private static function member(User $user, int $installation): ?Membership
    {
        return $user->memberships()->where('installation_id', $installation)->first();
    }
}
