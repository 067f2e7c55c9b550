<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $kind
 * @property string $key
 * @property array<int|string, mixed> $definition in the shape of the file format
 * @property int $version
 */
final class StoredEntry extends Model
{
    public $timestamps = false;

    protected $table = 'parts';

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = ['definition' => 'array', 'version' => 'integer'];
}
