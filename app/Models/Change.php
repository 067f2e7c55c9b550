<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $user_id
 * @property string $words
 * @property list<array{kind: string, key: string, before: ?array<int|string, mixed>, after: ?array<int|string,
 *     mixed>}> $entries
 * @property ?int $undoes
 * @property string $created_at
 * @property-read User $user
 */
final class Change extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = ['entries' => 'array'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
