<?php

declare(strict_types=1);

namespace App\Who;

use App\Models\Membership;
use App\Models\Role;
use App\Models\User;

/**
 * People of the demo, for whoever tries it out: they stand at the door with the password that everybody knows, until
 * it is another one. Nobody else ever does.
 *
 * @phpstan-type DemoPerson array{signIn: string, name: string, roles: list<value-of<Role>>}
 * @phpstan-type DemoShown array{password: string, people: list<DemoPerson>}
 */
final class DemoDoor
{
    /** Known to everybody who reads the README: for trying out, on a machine of one's own. */
    public const PASSWORD = 'brackwater';

    /** @return ?DemoShown null where nobody stands there */
    public static function shown(): ?array
    {
        $people = [];
        $shown = User::query()->with('memberships')->where('shown_at_door', true)->whereNull('retired_at');
        foreach ($shown->whereNotNull('sign_in')->orderBy('id')->get() as $person) {
            $people[] = [
                'signIn' => (string) $person->sign_in,
                'name' => $person->name,
                'roles' => $person->memberships
                    ->map(static fn (Membership $each): array => $each->roles)
                    ->collapse()
                    ->unique()
                    ->values()
                    ->all(),
            ];
        }

        return $people === [] ? null : ['password' => self::PASSWORD, 'people' => $people];
    }
}
