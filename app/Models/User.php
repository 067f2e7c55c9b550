<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * A person of one organisation. What they may do is said by each of their
 * memberships; their office is the organisation's.
 *
 * @property int $id
 * @property int $organisation_id
 * @property string $key what records call them by
 * @property ?string $sign_in null: known from a file, or invited and not come yet
 * @property ?string $known_as the sign-in name that a file or whoever invited them gave
 * @property string $name
 * @property ?string $password null: cannot sign in yet
 * @property list<value-of<Office>> $offices
 * @property int $version
 * @property ?\Illuminate\Support\Carbon $retired_at null: at work
 * @property bool $shown_at_door of the demo, with a password that everybody knows
 * @property list<string> $muted kinds of notices that this person does not want to hear of
 * @property bool $digest whether what is unread comes by mail, once a day
 * @property ?int $opened_id the installation that was opened last, on whatever device
 * @property-read Organisation $organisation
 * @property-read \Illuminate\Database\Eloquent\Collection<int, StoredInstallation> $installations
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Membership> $memberships
 */
final class User extends Authenticatable
{
    protected $fillable = [
        'organisation_id',
        'key',
        'sign_in',
        'known_as',
        'name',
        'password',
        'offices',
        'retired_at',
        'version',
        'shown_at_door',
        'muted',
        'digest',
    ];

    protected $hidden = ['password', 'remember_token'];

    protected $attributes = ['offices' => '[]', 'muted' => '[]', 'digest' => true];

    /** @var array<int|string, string> */
    protected $casts = [
        'offices' => 'array',
        'muted' => 'array',
        'digest' => 'boolean',
        'password' => 'hashed',
        'retired_at' => 'datetime',
        'shown_at_door' => 'boolean',
    ];

    protected static function booted(): void
    {
        self::creating(static function (self $made): void {
            $made->key ??= PersonKey::mint();
        });
        // Whoever has a password of their own does not stand at the door any more.
        self::updating(static function (self $changed): void {
            if ($changed->isDirty('password') && ! $changed->isDirty('shown_at_door')) {
                $changed->shown_at_door = false;
            }
        });
    }

    /** @return BelongsTo<Organisation, $this> */
    public function organisation(): BelongsTo
    {
        return $this->belongsTo(Organisation::class);
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    /** @return BelongsToMany<StoredInstallation, $this> those that this person is of the crew of */
    public function installations(): BelongsToMany
    {
        $relation = $this->belongsToMany(StoredInstallation::class, 'memberships', 'user_id', 'installation_id');
        $relation->whereNull('memberships.ended_at');
        $relation->orderBy('installations.id');

        return $relation;
    }

    public function holds(Office $office): bool
    {
        return in_array($office->value, $this->offices, true);
    }

    /** @return HasMany<Errand, $this> files that are to become installations, the last one first */
    public function arrivals(): HasMany
    {
        $relation = $this->hasMany(Errand::class);
        $relation->whereNull('installation_id')->orderByDesc('turn');

        return $relation;
    }
}
