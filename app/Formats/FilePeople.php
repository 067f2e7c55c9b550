<?php

declare(strict_types=1);

namespace App\Formats;

use App\Models\PersonKey;
use App\Models\StoredInstallation;
use App\Models\User;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use Sartal\Core\File\Person;

/**
 * People of an installation file, in the organisation. Those whom it has already stay as they are: a file can neither
 * set a password nor give anybody an office, and what its people may do they may in this installation alone.
 */
final class FilePeople
{
    /** @var array<int|string, Person> by what the file calls them */
    private array $said = [];

    /** @var array<int|string, User> by what the file calls them */
    private array $known = [];

    /**
     * @param  list<Person>  $people
     * @param  bool  $crew  whether they become the crew; else only who has done something is known here
     */
    public function __construct(array $people, private readonly StoredInstallation $of, private readonly bool $crew)
    {
        foreach ($people as $person) {
            $this->said[$person->id] = $person;
            if ($crew) {
                $this->known[$person->id] = $this->take($person);
            }
        }
    }

    public function of(string $id): User
    {
        return $this->known[$id] ??= $this->take($this->said[$id]);
    }

    private function take(Person $person): User
    {
        $organisation = $this->of->organisation_id;
        $user = self::colleague($person, $organisation) ?? self::stranger($person, $organisation);
        $member = $this->of->take($user, $person->roles, $person->skills);
        if (! $this->crew || $person->roles === []) {
            $member->update(['ended_at' => now()]);
        }

        return $user;
    }

    private static function colleague(Person $person, int $organisation): ?User
    {
        /** @var Closure(): Builder<User> $of */
        $of = static fn (): Builder => User::query()->where('organisation_id', $organisation);

        return $of()->where('key', $person->id)->first() ??
            ($person->signIn === ''
                ? null
                : $of()->where('sign_in', $person->signIn)->first() ??
                    $of()->where('sign_in', null)->where('known_as', $person->signIn)->first());
    }

    private static function stranger(Person $person, int $organisation): User
    {
        $isFree = PersonKey::isOne($person->id) && User::query()->where('key', $person->id)->doesntExist();

        return User::query()->create([
            'organisation_id' => $organisation,
            'key' => $isFree ? $person->id : PersonKey::mint(),
            'known_as' => $person->signIn === '' ? null : $person->signIn,
            'name' => $person->name,
        ]);
    }
}
