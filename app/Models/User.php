<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * @property int $id
 * @property string $sign_in
 * @property string $name
 * @property ?string $password null: known from a file, cannot sign in yet
 * @property list<string> $roles
 */
final class User extends Authenticatable
{
    protected $fillable = ['sign_in', 'name', 'password', 'roles'];

    protected $hidden = ['password', 'remember_token'];

    /** @var array<string, string> */
    protected $casts = ['roles' => 'array', 'password' => 'hashed'];

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
}
