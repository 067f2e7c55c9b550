<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property array<string, mixed> $rules
 * @property array<string, mixed> $catalogue
 * @property array<string, mixed> $panel
 * @property array<string, mixed> $economy
 * @property array<string, mixed> $workshop
 * @property array<string, mixed> $testing
 * @property int $revision
 * @property string $decisions
 * @property ?int $release_id
 * @property int $version
 * @property ?\Illuminate\Support\Carbon $created_at
 */
final class StoredInstallation extends Model
{
    protected $table = 'installations';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['rules' => 'array', 'catalogue' => 'array', 'panel' => 'array', 'economy' => 'array', 'workshop' => 'array', 'testing' => 'array', 'revision' => 'integer', 'version' => 'integer'];

    /** Names it in what is kept beside the database: ids come again in a database that was made anew. */
    public function mark(): string
    {
        return $this->id.'.'.$this->created_at?->getTimestamp();
    }

    /** Changes with whatever the shop works by: its release, or where there is none, every decision. */
    public function edition(): string
    {
        return $this->release_id === null ? $this->decisions : 'release.'.$this->release_id;
    }

    /** @return HasMany<Release, $this> */
    public function releases(): HasMany
    {
        $relation = $this->hasMany(Release::class, 'installation_id');
        $relation->orderBy('id');

        return $relation;
    }

    /** @return HasMany<Draft, $this> */
    public function drafts(): HasMany
    {
        $relation = $this->hasMany(Draft::class, 'installation_id');
        $relation->orderByDesc('id');

        return $relation;
    }

    /** @return HasMany<Pack, $this> */
    public function packs(): HasMany
    {
        $relation = $this->hasMany(Pack::class, 'installation_id');
        $relation->orderByDesc('number');

        return $relation;
    }

    /** @return HasMany<StoredRun, $this> */
    public function runs(): HasMany
    {
        $relation = $this->hasMany(StoredRun::class, 'installation_id');
        $relation->orderBy('id');

        return $relation;
    }

    /** @return HasMany<StoredPart, $this> */
    public function parts(): HasMany
    {
        $relation = $this->hasMany(StoredPart::class, 'installation_id');
        $relation->orderBy('id');

        return $relation;
    }

    /** @return HasMany<StoredEvent, $this> */
    public function events(): HasMany
    {
        $relation = $this->hasMany(StoredEvent::class, 'installation_id');
        $relation->orderBy('id');

        return $relation;
    }

    /** @return BelongsToMany<User, $this> */
    public function crew(): BelongsToMany
    {
        $relation = $this->belongsToMany(User::class, 'crew', 'installation_id', 'user_id');
        $relation->orderBy('crew.id');

        return $relation;
    }

    /** @return HasMany<Change, $this> */
    public function changes(): HasMany
    {
        $relation = $this->hasMany(Change::class, 'installation_id');
        $relation->orderByDesc('id');

        return $relation;
    }
}
