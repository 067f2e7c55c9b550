<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Sartal\Core\Work\Bench\Skill;

/**
 * @property int $id
 * @property string $sign_in
 * @property string $name
 * @property ?string $password null: known from a file, cannot sign in yet
 * @property list<string> $roles
 * @property list<string> $skills
 * @property ?\Illuminate\Support\Carbon $retired_at null: at work
 * @property ?int $opened_id the installation that was opened last, on whatever device
 */
final class User extends Authenticatable
{
    protected $fillable = ['sign_in', 'name', 'password', 'roles', 'skills', 'retired_at'];

    protected $hidden = ['password', 'remember_token'];

    /** @var array<int|string, string> */
    protected $casts = ['roles' => 'array', 'skills' => 'array', 'password' => 'hashed', 'retired_at' => 'datetime'];

    /** @return BelongsToMany<StoredInstallation, $this> */
    public function installations(): BelongsToMany
    {
        $relation = $this->belongsToMany(StoredInstallation::class, 'crew', 'user_id', 'installation_id');
        $relation->orderBy('installations.id');

        return $relation;
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
