<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\DB;

/**
 * @property int $id
 * @property int $organisation_id
 * @property string $key as its file calls it
 * @property string $address as every address calls it, see {@see Addresses}
 * @property string $name
 * @property array<int|string, mixed> $rules
 * @property array<int|string, mixed> $catalogue
 * @property array<int|string, mixed> $panel
 * @property array<int|string, mixed> $economy
 * @property array<int|string, mixed> $workshop
 * @property array<int|string, mixed> $testing
 * @property int $revision
 * @property string $decisions
 * @property string $reached  changes with what is measured on the equipment
 * @property int $told  counts what pages show besides: labels printed, jobs given
 * @property int $noticed  counts when somebody was told something that concerns them
 * @property string $weighed  state of which people know what it has overtaken
 * @property int $weighed_at  change up to which they do
 * @property ?int $release_id
 * @property int $version
 * @property ?\Illuminate\Support\Carbon $created_at
 * @property ?\Illuminate\Support\Carbon $archived_at since then it is read and not written
 *
 * @phpstan-type InstallationRef array{id: int, key: string, address: string, name: string, archived: bool}
 */
final class StoredInstallation extends Model
{
    protected $table = 'installations';

    /** @var ?array{int, string} the release that was asked about last, and its digest */
    private ?array $released = null;

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = [
        'rules' => 'array',
        'catalogue' => 'array',
        'panel' => 'array',
        'economy' => 'array',
        'workshop' => 'array',
        'testing' => 'array',
        'revision' => 'integer',
        'version' => 'integer',
        'told' => 'integer',
        'noticed' => 'integer',
        'weighed_at' => 'integer',
        'archived_at' => 'datetime',
    ];

    protected static function booted(): void
    {
        self::creating(static function (self $made): void {
            $made->setAttribute('address', Addresses::mint());
        });
    }

    /** Columns that a reference takes. */
    public const REFERRED = [
        'installations.id',
        'installations.key',
        'installations.address',
        'installations.name',
        'installations.archived_at',
    ];

    /** @return InstallationRef what a page has to know of it */
    public function reference(): array
    {
        return [
            'id' => $this->id,
            'key' => $this->key,
            'address' => $this->address,
            'name' => $this->name,
            'archived' => $this->archived_at !== null,
        ];
    }

    /** Names it in what is kept beside the database: ids come again in a database that was made anew. */
    public function mark(): string
    {
        return $this->id.'.'.$this->created_at?->getTimestamp();
    }

    /** Changes with whatever the shop works by: its release, or where there is none, every decision. */
    public function edition(): string
    {
        return $this->release_id === null ? $this->decisions : $this->released().$this->reached;
    }

    /** Names the release that the shop works from; "" where there is none. */
    public function released(): string
    {
        if ($this->release_id === null) {
            return '';
        }
        // Never by a number, which a restored database would repeat: by what was released.
        if ($this->released === null || $this->released[0] !== $this->release_id) {
            $digest = $this->releases()->whereKey($this->release_id)->value('digest');
            $this->released = [$this->release_id, is_string($digest) ? $digest : ''];
        }

        return 'release.'.substr($this->released[1], 0, 32);
    }

    /** Pages that show what was printed or given look again. */
    public function tell(): void
    {
        $told = DB::scalar('update installations set told = told + 1 where id = ? returning told', [$this->id]);
        $this->forceFill(['told' => is_numeric($told) ? (int) $told : 0])->syncOriginalAttribute('told');
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

    /** @return HasMany<Errand, $this> the last one first */
    public function errands(): HasMany
    {
        $relation = $this->hasMany(Errand::class, 'installation_id');
        $relation->orderByDesc('turn');

        return $relation;
    }

    /** @return HasMany<StoredRun, $this> */
    public function runs(): HasMany
    {
        $relation = $this->hasMany(StoredRun::class, 'installation_id');
        $relation->orderBy('id');

        return $relation;
    }

    /** @return HasMany<StoredEntry, $this> */
    public function entries(): HasMany
    {
        $relation = $this->hasMany(StoredEntry::class, 'installation_id');
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

    /** @return HasMany<Membership, $this> of everybody that there is or was */
    public function memberships(): HasMany
    {
        $relation = $this->hasMany(Membership::class, 'installation_id');
        $relation->orderBy('id');

        return $relation;
    }

    /** @return HasMany<Membership, $this> of those at work: of the crew, and of the organisation */
    public function atWork(): HasMany
    {
        $relation = $this->memberships();
        $relation->with('user');
        $relation->where('ended_at', null);
        $relation->whereRelation('user', 'retired_at', null);

        return $relation;
    }

    /** @return array<int|string, string> what its record calls people by → name, of everybody that there is or was */
    public function names(): array
    {
        /** @var array<int|string, string> */
        return DB::table('memberships')
            ->join('users', 'users.id', '=', 'user_id')
            ->where('installation_id', $this->id)
            ->orderBy('memberships.id')
            ->pluck('name', 'key')
            ->all();
    }

    /**
     * @param  list<string>  $roles
     * @param  list<string>  $skills
     */
    public function take(User $person, array $roles, array $skills = []): Membership
    {
        return Membership::query()->updateOrCreate(
            ['installation_id' => $this->id, 'user_id' => $person->id],
            ['roles' => $roles, 'skills' => $skills, 'ended_at' => null],
        );
    }

    /** @return HasMany<Change, $this> */
    public function changes(): HasMany
    {
        $relation = $this->hasMany(Change::class, 'installation_id');
        $relation->orderByDesc('id');

        return $relation;
    }
}
