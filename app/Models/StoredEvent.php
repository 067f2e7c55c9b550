<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Sartal\Core\File\EventCodec;
use Sartal\Core\Proof\Record\Event;

/**
 * @property int $id
 * @property string $uuid
 * @property string $run
 * @property string $kind
 * @property string $step
 * @property int $user_id
 * @property ?string $sent digest of what came with its id, see {@see \App\Recording\Sent}
 * @property array<int|string, mixed> $definition in the shape of the file format
 */
final class StoredEvent extends Model
{
    public $timestamps = false;

    protected $table = 'events';

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = ['definition' => 'array'];

    /** Writes an event down once, whoever sends it again. @return bool whether it was new */
    public static function add(StoredInstallation $installation, User $by, Event $event, ?string $sent = null): bool
    {
        return self::query()->insertOrIgnore([
            'uuid' => $event->id,
            'installation_id' => $installation->id,
            'run' => $event->run,
            'kind' => $event->kind->value,
            'step' => $event->step,
            'user_id' => $by->id,
            'definition' => json_encode(EventCodec::encode($event), JSON_THROW_ON_ERROR),
            'created_at' => $event->received,
            'sent' => $sent,
        ]) > 0;
    }
}
