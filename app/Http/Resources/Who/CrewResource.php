<?php

declare(strict_types=1);

namespace App\Http\Resources\Who;

use App\Models\Membership;
use App\Models\Office;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;

/**
 * The crew of an installation as its lead sees it, and whom of the organisation it could take in.
 *
 * @phpstan-type Crew array{people: list<CrewMember>, colleagues: list<array{id: string, name: string}>, invites: bool}
 * @phpstan-type CrewMember array{
 *     id: string,
 *     signIn: string|null,
 *     name: string,
 *     roles: list<value-of<Role>>,
 *     skills: list<string>,
 *     version: int,
 *     left: bool,
 *     retired: bool,
 *     signsIn: bool,
 * }
 */
final class CrewResource
{
    /** @return Crew */
    public static function of(StoredInstallation $stored, User $lead): array
    {
        $members = $stored->memberships()->with('user')->get();
        $taken = $members->whereNull('ended_at')->pluck('user_id')->all();
        $colleagues = User::query()
            ->where('organisation_id', $stored->organisation_id)
            ->where('retired_at', null)
            ->get()
            ->whereNotIn('id', $taken)
            ->sortBy(['name', 'id']);

        return [
            'people' => array_map(self::member(...), array_values($members->all())),
            'colleagues' => array_values(
                $colleagues->map(static fn (User $each): array => ['id' => $each->key, 'name' => $each->name])->all(),
            ),
            'invites' => $lead->holds(Office::People),
        ];
    }

    /** @return CrewMember */
    private static function member(Membership $member): array
    {
        return [
            'id' => $member->user->key,
            'signIn' => $member->user->sign_in ?? $member->user->known_as,
            'name' => $member->user->name,
            'roles' => $member->roles,
            'skills' => $member->skills,
            'version' => $member->version,
            'left' => $member->ended_at !== null,
            'retired' => $member->user->retired_at !== null,
            'signsIn' => $member->user->password !== null,
        ];
    }
}
