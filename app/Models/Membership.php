<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Sartal\Core\Work\Bench\Skill;

/**
 * Somebody in the crew of one installation: what they are there and what they
 * can. One who has left stays known to its record.
 *
 * @property int $id
 * @property int $installation_id
 * @property int $user_id
 * @property list<value-of<Role>> $roles
 * @property list<string> $skills
 * @property int $version
 * @property ?Carbon $ended_at null: of the crew
 * @property-read User $user
 */
final class Membership extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = ['roles' => 'array', 'skills' => 'array', 'ended_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function hasRole(Role ...$roles): bool
    {
        foreach ($roles as $role) {
            if (in_array($role->value, $this->roles, true)) {
                return true;
            }
        }

        return false;
    }

    public function hasSkill(Skill $skill): bool
    {
        return in_array($skill->value, $this->skills, true);
    }
}
