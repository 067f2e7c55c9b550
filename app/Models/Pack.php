<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $installation_id
 * @property int $number
 * @property int $user_id
 * @property string $created_at
 * @property string $folder
 * @property array<int|string, array{sha256: string, bytes: int}> $files
 * @property string $digest SHA-256 of the list of sums: of the whole
 * @property ?string $seal of the application, as it was made; null: by a version that did not seal
 * @property list<array{
 *     name: string,
 *     signIn: string,
 *     role: string,
 *     at: string,
 *     signature: string,
 *     key?: string,
 * }> $signatures
 * @property string $key public half of what it was sealed with, base64
 * @property int $gaps
 * @property int $pages
 * @property-read User $user
 */
final class Pack extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = ['files' => 'array', 'signatures' => 'array'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
