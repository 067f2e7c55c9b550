<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Whose people and installations they are. Organisations in one database
 * never see each other: everything that is asked for begins at somebody's own.
 *
 * @property int $id
 * @property string $name
 * @property int $version
 */
final class Organisation extends Model
{
    protected $guarded = [];

    /** @return HasMany<User, $this> */
    public function people(): HasMany
    {
        $relation = $this->hasMany(User::class);
        $relation->orderBy('name');
        $relation->orderBy('id');

        return $relation;
    }

    /** @return HasMany<StoredInstallation, $this> */
    public function installations(): HasMany
    {
        $relation = $this->hasMany(StoredInstallation::class);
        $relation->orderBy('name');
        $relation->orderBy('id');

        return $relation;
    }
}
