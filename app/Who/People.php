<?php

declare(strict_types=1);

namespace App\Who;

use App\Contract\Refusal;
use App\Models\Office;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** The people of an organisation: invited, renamed, given an office, retired. It never loses its last people office. */
final readonly class People
{
    public function __construct(private Invitations $invitations)
    {
    }

    /**
     * Whether another organisation knows somebody of this name is nobody's business: the sign-in name is theirs when
     * they come and nobody else has it.
     *
     * @param  list<string>  $offices
     *
     * @throws Refusal
     */
    public function invite(User $by, string $name, string $signIn, array $offices = []): Invited
    {
        $signIn = mb_strtolower(trim($signIn));
        $known = User::query()
            ->where('organisation_id', $by->organisation_id)
            ->where(
                static fn ($either) => $either
                    ->where('sign_in', $signIn)
                    ->orWhere(static fn ($coming) => $coming->whereNull('sign_in')->where('known_as', $signIn)),
            )
            ->first();
        if ($known !== null) {
            throw Refusal::of(
                'signIn',
                sprintf(
                    '%s has this sign-in name already%s. Take them in, or choose another.',
                    $known->name,
                    $known->retired_at === null ? '' : ' and is retired',
                ),
            );
        }

        return DB::transaction(function () use ($by, $name, $signIn, $offices): Invited {
            $person = User::query()->create([
                'organisation_id' => $by->organisation_id,
                'known_as' => $signIn,
                'name' => trim($name),
                'offices' => $offices,
            ]);
            Logbook::write(Entry::Office, sprintf('invited %s (%s)', $person->name, $signIn), $by);

            return new Invited($person, $this->invitations->to($person, $by));
        });
    }

    /** A new link: for who did not come, or has forgotten their password. */
    public function again(User $person, User $by): Invitation
    {
        if ($person->retired_at !== null) {
            throw Refusal::of('person', sprintf('%s is retired. Take them back first.', $person->name));
        }
        Logbook::write(Entry::Office, sprintf('a new link for %s', $person->name), $by);

        return $this->invitations->to($person, $by);
    }

    /** @param  list<string>  $offices */
    public function change(User $person, User $by, string $name, array $offices, int $version): void
    {
        DB::transaction(static function () use ($person, $by, $name, $offices, $version): void {
            self::lock($by);
            $person->refresh();
            if ($person->version !== $version) {
                throw new StalePerson(
                    $person->name,
                    ['name' => $name, 'offices' => $offices],
                    ['name' => $person->name, 'offices' => $person->offices],
                    $person->version,
                );
            }
            if (! in_array(Office::People->value, $offices, true)) {
                self::leaveOne($person);
            }
            $before = $person->name;
            $person->update(['name' => trim($name), 'offices' => $offices, 'version' => $version + 1]);
            Logbook::write(
                Entry::Office,
                sprintf(
                    '%s%s: %s',
                    $before,
                    $before === $person->name ? '' : ', now '.$person->name,
                    $offices === [] ? 'no office' : implode(', ', $offices),
                ),
                $by,
            );
        });
    }

    public function retire(User $person, User $by, bool $retires): void
    {
        DB::transaction(static function () use ($person, $by, $retires): void {
            self::lock($by);
            if ($retires) {
                self::leaveOne($person);
                Passwords::endSessions($person);
                DB::table('invitations')->where('user_id', $person->id)->whereNull('used_at')->delete();
            }
            $person->update(['retired_at' => $retires ? now() : null]);
            Logbook::write(Entry::Office, sprintf('%s %s', $person->name, $retires ? 'retired' : 'taken back'), $by);
        });
    }

    private static function lock(User $of): void
    {
        DB::select('select pg_advisory_xact_lock(?, hashtext(?))', [$of->organisation_id, 'people']);
    }

    /** @throws Refusal where nobody else looks after people */
    private static function leaveOne(User $but): void
    {
        if (! $but->holds(Office::People)) {
            return;
        }
        $others = User::query()
            ->where('organisation_id', $but->organisation_id)
            ->whereKeyNot($but->id)
            ->where('retired_at', null)
            ->where('password', '<>', null)
            ->get();
        if (! $others->contains(static fn (User $other): bool => $other->holds(Office::People))) {
            throw Refusal::of(
                'offices',
                sprintf(
                    'Nobody but %s looks after the people of your organisation. Give somebody else that office first.',
                    $but->name,
                ),
            );
        }
    }
}
