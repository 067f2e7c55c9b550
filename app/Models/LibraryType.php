<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A type of an organisation's own, for all of its installations.
 *
 * @property int $id
 * @property int $organisation_id
 * @property string $kind
 * @property string $key
 * @property array<int|string, mixed> $definition in the shape of the file format
 * @property int $edition one more each time that it is put there
 * @property \Illuminate\Support\Carbon $put_at
 * @property-read User $user who put it there last
 */
final class LibraryType extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = ['definition' => 'array', 'put_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
