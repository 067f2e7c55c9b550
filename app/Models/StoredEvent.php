<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $uuid
 * @property string $run
 * @property string $kind
 * @property string $step
 * @property int $user_id
 * @property array<string, mixed> $definition in the shape of the file format
 */
final class StoredEvent extends Model
{
    public $timestamps = false;

    protected $table = 'events';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['definition' => 'array'];
}
