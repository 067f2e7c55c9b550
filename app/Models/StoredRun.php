<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $key
 * @property string $code
 * @property bool $withdrawn
 * @property array<int|string, mixed> $definition in the shape of the file format
 * @property int $version
 */
final class StoredRun extends Model
{
    public $timestamps = false;

    protected $table = 'runs';

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = ['definition' => 'array', 'version' => 'integer', 'withdrawn' => 'boolean'];
}
