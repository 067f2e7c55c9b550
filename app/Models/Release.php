<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $installation_id
 * @property string $letter
 * @property string $note
 * @property int $user_id
 * @property string $created_at
 * @property string $document installation file, as it was printed
 * @property string $plan in the shape of the plan's JSON
 * @property string $digest SHA-256 of both
 * @property string $signature
 * @property bool $in_rows  whether it can be read row by row
 * @property-read User $user
 */
final class Release extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
