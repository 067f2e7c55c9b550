<?php

declare(strict_types=1);

namespace App\Models;

use App\Errands\ErrandKind;
use App\Errands\ErrandState;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What somebody asked for that takes long, and how far it is.
 *
 * @property string $id
 * @property int $turn in which they were asked for, of all installations
 * @property ?int $installation_id null: of none, it is to become one
 * @property int $user_id who asked for it
 * @property ErrandKind $kind
 * @property array<string, string> $asked
 * @property ErrandState $state
 * @property string $words what it is at
 * @property int $done
 * @property int $of
 * @property bool $is_called_off somebody does not want it any more
 * @property ?array<string, int|string> $result
 * @property string $problem
 * @property list<array{path: string, value: string, words: string}> $problems of a file
 * @property int $more problems than those
 * @property string $asked_at
 * @property ?string $begun_at
 * @property ?string $told_at
 * @property ?string $ended_at
 * @property-read User $user
 */
final class Errand extends Model
{
    use HasUuids;

    public $timestamps = false;

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = [
        'kind' => ErrandKind::class,
        'asked' => 'array',
        'state' => ErrandState::class,
        'is_called_off' => 'boolean',
        'result' => 'array',
        'problems' => 'array',
    ];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
