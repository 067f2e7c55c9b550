<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $installation_id
 * @property int $user_id
 * @property string $words
 * @property list<array{kind: string, key: string, after: ?array<int|string, mixed>, version: ?int}> $edits
 * @property ?array<int|string, mixed> $pins
 * @property string $created_at
 * @property-read User $user
 */
final class Draft extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = ['edits' => 'array', 'pins' => 'array'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
