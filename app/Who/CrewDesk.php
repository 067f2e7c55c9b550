<?php

declare(strict_types=1);

namespace App\Who;

use App\Contract\Refusal;
use App\Models\Membership;
use App\Models\Office;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Work\Bench\Skill;

/** Who is of the crew of an installation, as what. It never loses its last lead. */
final readonly class CrewDesk
{
    public function __construct(private People $people)
    {
    }

    /**
     * Takes a colleague into the crew, or back into it.
     *
     * @param  list<string>  $roles
     * @param  list<string>  $skills
     *
     * @throws Refusal
     */
    public function take(StoredInstallation $in, User $by, string $key, array $roles, array $skills): Membership
    {
        $person =
            User::query()
                ->where('organisation_id', $in->organisation_id)
                ->where('key', $key)
                ->where('retired_at', null)
                ->first() ??
            throw Refusal::of('person', 'Nobody like that is at work in your organisation. Load the page again.');
        $member = $in->take($person, $roles, $skills);
        Logbook::write(
            Entry::Crew,
            sprintf('%s into the crew: %s', $person->name, self::said($roles, $skills)),
            $by,
            $in,
        );

        return $member;
    }

    /**
     * Somebody whom the organisation does not know yet.
     *
     * @param  list<string>  $roles
     * @param  list<string>  $skills
     *
     * @throws Refusal
     */
    public function invite(
        StoredInstallation $in,
        User $by,
        string $name,
        string $signIn,
        array $roles,
        array $skills,
    ): Invited {
        abort_unless(
            $by->holds(Office::People),
            403,
            'New people are invited by those who look after the people of your organisation. '.
                'You can take in whoever is there already.',
        );

        return DB::transaction(function () use ($in, $by, $name, $signIn, $roles, $skills): Invited {
            $invited = $this->people->invite($by, $name, $signIn);
            $this->take($in, $by, $invited->person->key, $roles, $skills);

            return $invited;
        });
    }

    /**
     * @param  list<string>  $roles
     * @param  list<string>  $skills
     */
    public function change(
        Membership $member,
        StoredInstallation $in,
        User $by,
        array $roles,
        array $skills,
        int $version,
    ): void {
        DB::transaction(function () use ($member, $in, $by, $roles, $skills, $version): void {
            self::lock($in);
            $member->refresh();
            if ($member->version !== $version) {
                throw new StalePerson(
                    $member->user->name,
                    ['roles' => $roles, 'skills' => $skills],
                    ['roles' => $member->roles, 'skills' => $member->skills],
                    $member->version,
                );
            }
            if (! in_array(Role::Lead->value, $roles, true)) {
                self::leaveALead($in, $member);
            }
            $member->update(['roles' => $roles, 'skills' => $skills, 'version' => $version + 1]);
            Logbook::write(Entry::Crew, sprintf('%s: %s', $member->user->name, self::said($roles, $skills)), $by, $in);
        });
    }

    public function end(Membership $member, StoredInstallation $in, User $by): void
    {
        DB::transaction(static function () use ($member, $in, $by): void {
            self::lock($in);
            self::leaveALead($in, $member);
            $member->update(['ended_at' => now()]);
            $words = $member->user_id === $by->id ? '%s left the crew' : '%s out of the crew';
            Logbook::write(Entry::Crew, sprintf($words, $member->user->name), $by, $in);
        });
    }

    private static function lock(StoredInstallation $in): void
    {
        DB::select('select pg_advisory_xact_lock(?, hashtext(?))', [$in->id, 'crew']);
    }

    /** @throws Refusal where nobody else leads */
    private static function leaveALead(StoredInstallation $in, Membership $but): void
    {
        if (! $but->hasRole(Role::Lead)) {
            return;
        }
        foreach ($in->atWork()->whereKeyNot($but->id)->get() as $other) {
            if ($other->hasRole(Role::Lead)) {
                return;
            }
        }
        throw Refusal::of(
            'roles',
            sprintf('%s is the only lead of %s. Make somebody else lead first.', $but->user->name, $in->name),
        );
    }

    /**
     * @param  list<string>  $roles
     * @param  list<string>  $skills
     */
    private static function said(array $roles, array $skills): string
    {
        $can = array_map(static fn (string $skill): string => Skill::from($skill)->words(), $skills);

        return implode(', ', $roles).($can === [] ? '' : '; '.implode(', ', $can));
    }
}
