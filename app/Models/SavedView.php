<?php

declare(strict_types=1);

namespace App\Models;

use App\Http\Requests\Plan\ScheduleColumn;
use App\Http\Requests\Plan\ScheduleGroup;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A way of looking at a schedule, kept under a name.
 *
 * @phpstan-type ScheduleView array{
 *     words: string,
 *     columns: list<array{key: value-of<ScheduleColumn>, width: int}>,
 *     sort: list<array{key: value-of<ScheduleColumn>, down: bool}>,
 *     group: value-of<ScheduleGroup>,
 * }
 *
 * @property string $id
 * @property int $installation_id
 * @property int $user_id who keeps it
 * @property string $name
 * @property bool $shared
 * @property ScheduleView $shows
 * @property int $version
 * @property-read User $user
 */
final class SavedView extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = ['shared' => 'boolean', 'shows' => 'array', 'version' => 'integer'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
